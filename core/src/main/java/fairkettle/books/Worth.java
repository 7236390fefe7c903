package fairkettle.books;

import fairkettle.ink.Money;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Whether a machine is worth keeping: what it brought against what it took, and how often it was ill. */
public record Worth(Verdict verdict, Money brought, Money took, List<String> reasons) {

    public Worth {
        reasons = List.copyOf(reasons);
    }

    private static final int OFTEN = 3; // cases in the time
    private static final double MUCH = .25; // of its days ill

    public enum Verdict {
        KEEP("keep it"),
        KEEP_AN_EYE("keep it, and look again in a month"),
        PRINT_MORE("it does not carry itself: give it more to print"),
        PARK("park it on fluid"),
        GIVE_UP("give it up, or keep it for its parts"),
        TOO_NEW("too new to say");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * What is known of a machine over some days.
     *
     * @param known days of them on which it was here
     * @param sheets for customers; {@code saved} minor units that each is dearer when it is ordered
     * @param earns minor units on a day, if the shop said so
     * @param hands minor units of upkeep’s hands; {@code ink} that was not sold; {@code parts} likewise
     * @param cases that were opened; {@code ill} days with one open
     * @param broken things of it that are broken or missing
     * @param parked whether it rests on fluid
     */
    public record Seen(
            int days,
            int known,
            int sheets,
            long saved,
            @Nullable Long earns,
            long hands,
            long ink,
            long parts,
            int cases,
            int ill,
            int broken,
            boolean parked) {}

    public static Worth of(Seen seen, Currency currency) {
        long took = seen.hands() + seen.ink() + seen.parts();
        long brought = seen.earns() == null ? seen.sheets() * Math.max(0, seen.saved()) : seen.earns() * seen.known();
        var reasons = new ArrayList<String>();
        if (seen.cases() > 0) {
            reasons.add("%s in that time, %s ill."
                    .formatted(
                            seen.cases() == 1 ? "One case" : seen.cases() + " cases",
                            seen.ill() == 1 ? "one day" : seen.ill() + " days"));
        }
        if (seen.broken() > 0) {
            reasons.add(
                    seen.broken() == 1 ? "One thing of it is broken." : seen.broken() + " things of it are broken.");
        }
        boolean often = seen.cases() >= OFTEN || seen.ill() > MUCH * seen.known();
        var verdict = verdict(seen, brought, took, often);
        if (verdict == Verdict.PRINT_MORE && seen.saved() > 0) {
            reasons.add(
                    "With %d sheets in that time it would carry itself.".formatted(Math.ceilDiv(took, seen.saved())));
        }
        return new Worth(verdict, new Money(brought, currency), new Money(took, currency), reasons);
    }

    private static Verdict verdict(Seen seen, long brought, long took, boolean often) {
        if (seen.known() < seen.days() / 3) {
            return Verdict.TOO_NEW;
        }
        if (brought >= took) {
            return often ? Verdict.KEEP_AN_EYE : Verdict.KEEP;
        }
        if (often) {
            return Verdict.GIVE_UP;
        }
        if (seen.parked()) {
            return Verdict.KEEP; // at rest it takes next to nothing
        }
        return seen.sheets() == 0 ? Verdict.PARK : Verdict.PRINT_MORE;
    }
}
