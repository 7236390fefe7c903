package fairkettle.server.cards;

import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.Entries;
import fairkettle.procedure.Move;
import fairkettle.procedure.StepRun;

/** What a card came to, against what its steps expected; volumes in mL. */
record Real(
        long minutes,
        double drawn,
        double drawExpected,
        double rinsed,
        double rinseExpected,
        double poured,
        double pourExpected) {

    static Real of(Card card) {
        double[] sums = new double[6];
        for (var run : card.runs()) {
            int at = switch (run.step().move()) {
                case Move.Draw _, Move.DrawBack _ -> 0;
                case Move.Rinse _ -> 2;
                case Move.Pour _, Move.PourOnTray _ -> 4;
                case Move.Nothing _,
                        Move.DrawOnTray _,
                        Move.PrimeOnTray _,
                        Move.Prime _,
                        Move.Spoil _,
                        Move.PourFluid _,
                        Move.Supplied _,
                        Move.Refit _,
                        Move.Charge _,
                        Move.Clean _,
                        Move.Print _,
                        Move.Reading _ -> -1;
            };
            if (at >= 0 && run.step().ask() instanceof Ask.Grid grid) {
                add(run, grid, sums, at);
            }
        }
        return new Real(minutes(card), sums[0], sums[1], sums[2], sums[3], sums[4], sums[5]);
    }

    private static void add(StepRun run, Ask.Grid grid, double[] sums, int at) {
        for (int column = 0; column < grid.columns().size(); column++) {
            if (grid.columns().get(column).kind() != Ask.ColumnKind.VOLUME) {
                continue;
            }
            for (int row = 0; row < grid.channels().size(); row++) {
                sums[at + 1] += grid.columns().get(column).expected().get(row).mL();
                if (run.status() == StepRun.Status.DONE) {
                    sums[at] += Entries.volume(run, grid.channels().get(row), column)
                            .map(v -> v.mL())
                            .orElse(0.0);
                }
            }
        }
    }

    /**
     * From step to step, without the waits; a night between two steps counts as no more than what the step was planned
     * at, thrice.
     */
    private static long minutes(Card card) {
        return card.runs().stream()
                .filter(r -> r.step().pause() == null)
                .mapToLong(r -> r.took()
                        .map(took -> Math.min(
                                took.toMinutes(), 3L * Math.max(5, r.step().minutes())))
                        .orElse(0L))
                .sum();
    }
}
