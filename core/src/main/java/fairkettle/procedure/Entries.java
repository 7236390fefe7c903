package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Tool;
import fairkettle.procedure.Ask.ColumnKind;
import fairkettle.procedure.Outcome.Reason;
import fairkettle.procedure.Surroundings.LotFacts;
import fairkettle.typed.Days;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/** What may be entered in a step's cells, and what is still missing. */
public final class Entries {

    private static final Millilitres MOST = new Millilitres(2_000_000);
    private static final double OVERFILL = 1.1; // of what fits by the account
    private static final double SHORTFALL = 0.8; // of what was reckoned: levels read off a stained window are no better
    static final String TICK = "yes";
    private static final String WITH_AIR = " air"; // behind a volume: "8 air" is 8 mL of ink, and air with it

    private Entries() {}

    /** The volume in a grid's cell, in mL. */
    public static Optional<Millilitres> volume(StepRun run, ChannelCode channel, int column) {
        return run.entry(channel + "/" + column).map(e -> Millilitres.parse(amount(e)));
    }

    private static String amount(String entry) {
        return entry.endsWith(WITH_AIR) ? entry.substring(0, entry.length() - WITH_AIR.length()) : entry;
    }

    /**
     * Missing teeth in a comb's cell, counted from 0. "none" is a whole comb; a cell without entry was not looked at.
     */
    public static List<Integer> missingTeeth(String entry) {
        return entry.equals("none")
                ? List.of()
                : java.util.Arrays.stream(entry.split(","))
                        .map(Integer::valueOf)
                        .toList();
    }

    /** The items that got the first of the answers. */
    public static List<String> answeredFirst(StepRun run, Ask.Each each) {
        return IntStream.range(0, each.items().size())
                .filter(i ->
                        run.entry("each/" + i).orElse("").equals(each.answers().getFirst()))
                .mapToObj(each.items()::get)
                .toList();
    }

    static Optional<String> problem(StepRun run, String cell, String value, Surroundings around) {
        if (value.isEmpty()) {
            return Optional.empty();
        }
        return switch (run.step().ask()) {
            case Ask.Done _, Ask.Photo _ -> Optional.of("There is nothing to enter at this step.");
            case Ask.Ticks ticks ->
                IntStream.range(0, ticks.items().size())
                        .filter(i -> cell.equals("item/" + i))
                        .boxed()
                        .findFirst()
                        .map(i -> (ticks.inOrder()
                                        ? IntStream.range(0, i)
                                                .filter(b ->
                                                        run.entry("item/" + b).isEmpty())
                                                .mapToObj(b -> "First: "
                                                        + ticks.items().get(b))
                                                .findFirst()
                                        : Optional.<String>empty())
                                .or(() -> tick(value)))
                        .orElseGet(() -> unknown(cell));
            case Ask.Each(var _, var items, var answers, var right, var otherwise) ->
                IntStream.range(0, items.size())
                        .filter(i -> cell.equals("each/" + i))
                        .boxed()
                        .findFirst()
                        .map(i -> !answers.contains(value)
                                ? Optional.of("Choose one of the answers.")
                                : !right.isEmpty() && !value.equals(right.get(i))
                                        ? Optional.of("This one is %s, and %s was wanted. %s"
                                                .formatted(value, right.get(i), otherwise))
                                        : Optional.<String>empty())
                        .orElseGet(() -> unknown(cell));
            case Ask.Tally(var _, var parts, var _) ->
                IntStream.range(0, parts.size()).anyMatch(i -> cell.equals("part/" + i)) ? count(value) : unknown(cell);
            case Ask.Acknowledge _ -> cell.equals("agreed") ? tick(value) : unknown(cell);
            case Ask.Count _ -> cell.equals("count") ? count(value) : unknown(cell);
            case Ask.Grid grid ->
                gridCell(grid, cell)
                        .map(kind -> switch (kind) {
                            case VOLUME -> volume(amount(value));
                            case AIR, TICK -> tick(value);
                            case TOOL -> tool(value, ChannelCode.of(cell.substring(0, cell.indexOf('/'))), around);
                            case CODE -> code(value, ChannelCode.of(cell.substring(0, cell.indexOf('/'))), around);
                        })
                        .orElseGet(() -> unknown(cell));
            case Ask.InOrder(var channels, var _) -> {
                int row = channels.stream().map(ChannelCode::code).toList().indexOf(cell);
                var before = row < 0
                        ? Optional.<ChannelCode>empty()
                        : channels.subList(0, row).stream()
                                .filter(c -> run.entry(c.code()).isEmpty())
                                .findFirst();
                yield row < 0
                        ? unknown(cell)
                        : before.map(c -> "%s comes before %s.".formatted(c, cell))
                                .or(() -> tick(value));
            }
            case Ask.Picks(var patterns, var squares, var _) ->
                IntStream.range(0, patterns.size()).anyMatch(i -> cell.equals("pick/" + i))
                        ? value.matches("\\d{1,2}")
                                        && Integer.parseInt(value) >= 1
                                        && Integer.parseInt(value) <= squares
                                ? Optional.empty()
                                : Optional.of("The squares are numbered from 1 to %d.".formatted(squares))
                        : unknown(cell);
            case Ask.KeyStored _ -> Optional.of("The code goes into the vault, not onto the card.");
            case Ask.Words _ -> cell.equals("words") ? words(value) : unknown(cell);
            case Ask.Choice(var _, var answers) ->
                cell.equals("choice")
                        ? answers.contains(value) ? Optional.empty() : Optional.of("Choose one of the answers.")
                        : unknown(cell);
            case Ask.Lots(var channels, var family) ->
                channels.stream()
                        .filter(c -> c.code().equals(cell))
                        .findFirst()
                        .map(channel -> lot(value, channel, family, around))
                        .orElseGet(() -> unknown(cell));
            case Ask.Comb(var channels, var nozzles) -> {
                int row = channels.stream().map(ChannelCode::code).toList().indexOf(cell);
                yield row < 0 ? unknown(cell) : comb(value, nozzles.get(row));
            }
        };
    }

    private static Optional<ColumnKind> gridCell(Ask.Grid grid, String cell) {
        for (int column = 0; column < grid.columns().size(); column++) {
            for (var channel : cells(grid, column)) {
                if (cell.equals(channel + "/" + column)) {
                    return Optional.of(grid.columns().get(column).kind());
                }
            }
        }
        return Optional.empty();
    }

    /** The channels that have a cell in a column: all for ticks, those that expect something for volumes. */
    static List<ChannelCode> cells(Ask.Grid grid, int column) {
        var expected = grid.columns().get(column).expected();
        return IntStream.range(0, grid.channels().size())
                .filter(row -> expected.isEmpty() || !expected.get(row).isZero())
                .mapToObj(grid.channels()::get)
                .toList();
    }

    /** A bottle that does not belong is refused before its cap is opened. */
    private static Optional<String> lot(String value, ChannelCode channel, Family family, Surroundings around) {
        if (!value.matches("\\d{1,18}")) {
            return Optional.of("Choose a bottle from the shelf for %s.".formatted(channel));
        }
        var found = around.lot(Long.parseLong(value));
        return found.isEmpty()
                ? Optional.of("There is no such bottle on the shelf.")
                : unfit(found.get(), channel, family, around.today());
    }

    /** Why a bottle must not go into a slot; empty if it may. */
    public static Optional<String> unfit(LotFacts lot, ChannelCode channel, Family family, LocalDate today) {
        if (lot.spoiled() != null) {
            return Optional.of("This bottle was marked bad: %s. Nothing is filled from it.".formatted(lot.spoiled()));
        }
        if (lot.channel() == null) {
            return Optional.of("This is a bottle of cleaning fluid, not ink.");
        }
        if (lot.family() != family) {
            return Optional.of("This bottle holds %s ink; the machine is to hold %s."
                    .formatted(lot.family().label(), family.label()));
        }
        if (!channel.equals(lot.channel())) {
            return Optional.of("The bottle says %s, the tank says %s.".formatted(lot.channel(), channel));
        }
        if (family.food() && !lot.foodGrade()) {
            return Optional.of(
                    "This bottle is not food grade. Only food-grade ink goes into a machine that prints food.");
        }
        if (lot.bestBefore() != null && lot.bestBefore().isBefore(today)) {
            return Optional.of("This bottle was best before %s.".formatted(Days.said(lot.bestBefore())));
        }
        return lot.left().isZero() ? Optional.of("By the account this bottle is empty.") : Optional.empty();
    }

    /** The bottle in hand, by the id of its lot: what may go into this slot is the shop's to say. */
    private static Optional<String> code(String value, ChannelCode channel, Surroundings around) {
        if (!value.matches("\\d{1,18}")) {
            return Optional.of("Read the code on the bottle, and choose the one it names.");
        }
        var found = around.lot(Long.parseLong(value));
        return found.isEmpty()
                ? Optional.of("There is no such bottle on the shelf.")
                : unfit(found.get(), channel, around.family(), around.today()).map(why -> why + " Leave its cap shut.");
    }

    /** Somebody may have drawn another ink with it since it was chosen. */
    private static void stillMay(
            StepRun run, String cell, ChannelCode channel, Surroundings around, List<Reason> reasons) {
        run.entry(cell)
                .flatMap(value -> tool(value, channel, around))
                .ifPresent(why -> reasons.add(new Reason(why, cell, null)));
    }

    /** A tick is one that met no ink yet. */
    private static Optional<String> tool(String value, ChannelCode channel, Surroundings around) {
        if (value.equals(TICK)) {
            return Optional.empty();
        }
        var found = value.matches("\\d{1,18}") ? around.tool(Long.parseLong(value)) : Optional.<Tool>empty();
        return found.isEmpty()
                ? Optional.of("Choose a syringe from the shelf for %s, or take a new one.".formatted(channel))
                : found.get().refusal(around.family(), channel);
    }

    private static Optional<String> words(String value) {
        return value.isBlank() ? Optional.of("Write it down first.") : Optional.empty();
    }

    private static Optional<String> volume(String value) {
        try {
            return Millilitres.parse(value).compareTo(MOST) > 0
                    ? Optional.of("%s mL is more than any vessel here holds. Was it typed in mL?".formatted(value))
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.of("Type the volume as a number of mL, such as 57 or 5.5.");
        }
    }

    private static Optional<String> tick(String value) {
        return value.equals(TICK) ? Optional.empty() : Optional.of("This cell takes a tick and nothing else.");
    }

    private static Optional<String> count(String value) {
        return value.matches("\\d{1,4}") ? Optional.empty() : Optional.of("Type a whole number.");
    }

    private static Optional<String> comb(String value, int nozzles) {
        if (value.equals("none")) {
            return Optional.empty();
        }
        if (!value.matches("\\d{1,4}(,\\d{1,4})*")) {
            return Optional.of("Give the missing strokes as numbers with commas between, or “none”.");
        }
        return missingTeeth(value).stream().allMatch(tooth -> tooth < nozzles)
                ? Optional.empty()
                : Optional.of("This comb has %d teeth, numbered from 0.".formatted(nozzles));
    }

    private static Optional<String> unknown(String cell) {
        return Optional.of("This step has no cell (%s).".formatted(cell));
    }

    /** @param others the card's other steps, by id: some answers are held against earlier ones */
    static List<Reason> missing(
            StepRun run, Surroundings around, @Nullable String accept, Function<String, StepRun> others) {
        var reasons = new ArrayList<Reason>();
        switch (run.step().ask()) {
            case Ask.Done _ -> {}
            case Ask.Photo _ -> {
                if (around.photos(run.step().id()) == 0) {
                    reasons.add(new Reason("Take a photo first.", "photo", null));
                }
            }
            case Ask.Ticks(var items, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    require(run, "item/" + i, "Not ticked yet: " + items.get(i), reasons);
                }
            }
            case Ask.Each(var question, var items, var _, var _, var _) -> {
                for (int i = 0; i < items.size(); i++) {
                    require(run, "each/" + i, items.get(i) + ": " + question, reasons);
                }
            }
            case Ask.Tally tally -> tallied(run, tally, others, reasons);
            case Ask.InOrder(var channels, var what) ->
                channels.forEach(c -> require(run, c.code(), "%s: not yet %s.".formatted(c, what), reasons));
            case Ask.Picks(var patterns, var _, var _) -> {
                for (int i = 0; i < patterns.size(); i++) {
                    require(run, "pick/" + i, "Choose the best square: " + patterns.get(i) + ".", reasons);
                }
            }
            case Ask.Words(var what) -> require(run, "words", "Write it down first: " + what + ".", reasons);
            case Ask.Choice(var question, var _) -> require(run, "choice", question, reasons);
            case Ask.KeyStored _ -> {
                if (!around.keyStored()) {
                    reasons.add(new Reason(
                            "The activation code is not in the vault yet. Store it before the window that shows it is"
                                    + " closed.",
                            "key",
                            null));
                }
            }
            case Ask.Acknowledge _ -> require(run, "agreed", "This has to be agreed to first.", reasons);
            case Ask.Count(var what, var expected) -> {
                var counted = run.entry("count");
                if (counted.isEmpty()) {
                    reasons.add(new Reason("Enter the count: " + what + ".", "count", null));
                } else if (Integer.parseInt(counted.get()) != expected && accept == null) {
                    reasons.add(new Reason(
                            "%s counted, %d expected. Look again – the first count is often one short – or say why it is right."
                                    .formatted(counted.get(), expected),
                            "count",
                            null));
                }
            }
            case Ask.Grid grid -> {
                for (int column = 0; column < grid.columns().size(); column++) {
                    for (var channel : cells(grid, column)) {
                        require(
                                run,
                                channel + "/" + column,
                                "%s: “%s” is still open."
                                        .formatted(
                                                channel,
                                                grid.columns().get(column).label()),
                                reasons);
                        if (grid.columns().get(column).kind() == ColumnKind.TOOL) {
                            stillMay(run, channel + "/" + column, channel, around, reasons);
                        }
                    }
                }
                if (reasons.isEmpty()
                        && accept == null
                        && (run.step().move() instanceof Move.Draw || run.step().move() instanceof Move.DrawBack)) {
                    shortfalls(run, grid, reasons);
                }
                if (reasons.isEmpty() && accept == null && pours(run.step().move())) {
                    overfills(run, grid, reasons);
                }
            }
            case Ask.Lots(var channels, var family) -> {
                for (var channel : channels) {
                    var chosen = run.entry(channel.code());
                    var problem = chosen.isEmpty()
                            ? Optional.of("Choose the bottle for %s.".formatted(channel))
                            : lot(chosen.get(), channel, family, around);
                    problem.ifPresent(message -> reasons.add(new Reason(message, channel.code(), null)));
                }
            }
            case Ask.Comb(var channels, var _) -> {
                channels.forEach(c -> require(run, c.code(), "%s was not looked at yet.".formatted(c), reasons));
                long gaps = channels.stream()
                        .flatMap(c -> run.entry(c.code()).stream())
                        .mapToLong(e -> missingTeeth(e).size())
                        .sum();
                if (reasons.isEmpty() && gaps > 0 && (accept == null || accept.isBlank())) {
                    reasons.add(new Reason(
                            "Teeth are missing: %d. Take “Gaps left”, or say what it is good enough for."
                                    .formatted(gaps),
                            null,
                            null));
                }
            }
        }
        return reasons;
    }

    /** What came out goes back in: no reason is good enough for a screw that is left over. */
    private static void tallied(StepRun run, Ask.Tally tally, Function<String, StepRun> others, List<Reason> reasons) {
        for (int i = 0; i < tally.parts().size(); i++) {
            var cell = "part/" + i;
            var part = tally.parts().get(i);
            var counted = run.entry(cell);
            if (counted.isEmpty()) {
                reasons.add(new Reason("Count the %s.".formatted(part), cell, null));
            } else if (tally.against() != null) {
                var out = countedOf(others.apply(tally.against()), part);
                if (!out.equals(counted.get())) {
                    reasons.add(new Reason(
                            "%s: %s came out, %s counted. Look inside before any power."
                                    .formatted(part, out, counted.get()),
                            cell,
                            null));
                }
            }
        }
    }

    /** By its name: what came off last goes on first, so the order is another one. */
    private static String countedOf(StepRun out, String part) {
        int at = out.step().ask() instanceof Ask.Tally(var _, var parts, var _) ? parts.indexOf(part) : -1;
        return out.entry("part/" + at).orElse("0");
    }

    private static boolean pours(Move move) {
        return move instanceof Move.Pour || move instanceof Move.PourFluid || move instanceof Move.PourOnTray;
    }

    /** "Empty" is a claim: when much less came out than was in, something holds it back, or the account was wrong. */
    private static void shortfalls(StepRun run, Ask.Grid grid, List<Reason> reasons) {
        sums(run, grid, (channel, drawn, expected) -> {
            if (drawn < SHORTFALL * expected - 1) {
                reasons.add(new Reason(
                        "%s gave %.0f of %.0f mL. Is its cap open? Pull once more – or say why it is right."
                                .formatted(channel, drawn, expected),
                        null,
                        null));
            }
        });
    }

    /** More than fits is a fact with a reason, and never put right in silence. */
    private static void overfills(StepRun run, Ask.Grid grid, List<Reason> reasons) {
        sums(run, grid, (channel, poured, expected) -> {
            if (poured > OVERFILL * expected + 1) {
                reasons.add(new Reason(
                        "%s took %.0f mL where %.0f fit. Did some run over, or was more room than was reckoned? Count again – or say why it is right."
                                .formatted(channel, poured, expected),
                        null,
                        null));
            }
        });
    }

    /** mL entered and expected, channel by channel. */
    private static void sums(StepRun run, Ask.Grid grid, Summed each) {
        for (int row = 0; row < grid.channels().size(); row++) {
            double entered = 0;
            double expected = 0;
            for (int column = 0; column < grid.columns().size(); column++) {
                if (grid.columns().get(column).kind() == ColumnKind.VOLUME) {
                    expected += grid.columns().get(column).expected().get(row).mL();
                    entered += volume(run, grid.channels().get(row), column)
                            .map(Millilitres::mL)
                            .orElse(0.0);
                }
            }
            each.of(grid.channels().get(row), entered, expected);
        }
    }

    private interface Summed {
        void of(ChannelCode channel, double entered, double expected);
    }

    private static void require(StepRun run, String cell, String message, List<Reason> reasons) {
        if (run.entry(cell).isEmpty()) {
            reasons.add(new Reason(message, cell, null));
        }
    }
}
