package fairkettle.job;

import fairkettle.check.Work;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.round.FreeHands;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A machine that might print a job.
 *
 * @param largest sheet, as its profile names it
 * @param film whether it is plumbed for film
 * @param ink that it holds; null for none, or nobody knows
 * @param trouble what keeps it from printing now
 * @param check how it looked last, for this work
 * @param hands minutes until it is fit; @param waits minutes of waiting until then
 * @param prints minutes for the job; {@code presses} minutes of hands after that, until it can be handed over
 * @param topUp channels that have to be topped up first
 * @param taken what else it has promised, by time
 */
public record Candidate(
        long machine,
        String name,
        String largest,
        boolean film,
        @Nullable Family ink,
        Trouble trouble,
        Check check,
        int hands,
        int waits,
        int prints,
        int presses,
        List<String> topUp,
        List<Taken> taken) {

    public Candidate {
        topUp = List.copyOf(topUp);
        taken = taken.stream().sorted(Comparator.comparing(Taken::from)).toList();
    }

    public enum Trouble {
        NONE(""),
        CARD("a card is open on it"),
        CASE("it is in the clinic"),
        PARKED("it rests on fluid"),
        NEVER_INKED("it has never held ink"),
        CRAFT("it held another ink before: nothing to eat is printed on it, ever"),
        UNKNOWN("nobody knows what ink it holds");

        private final String words;

        Trouble(String words) {
            this.words = words;
        }

        /** Whether hands alone, without a changeover, make it print. */
        boolean passes() {
            return this == NONE || this == CARD || this == CASE;
        }
    }

    public enum Check {
        GOOD_TODAY("looked at today, and good for this"),
        GOOD_BEFORE("good for this when it was last looked at; not today"),
        NOT_GOOD("its gaps would show in this work"),
        NONE("not looked at yet");

        private final String words;

        Check(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** A channel as it was looked at last. @param today whether that was today */
        public record Seen(ChannelCode channel, int strokes, List<Integer> missing, boolean today) {
            boolean takenBy(Work work, Map<Work, Work.Tolerance> tolerances) {
                return tolerances.getOrDefault(work, work.usual()).takes(strokes, missing);
            }
        }

        /**
         * What the last look at a machine means for a job. Film lays colours over white, so all its channels count; of
         * several whites one that prints is enough, since it lays down the share of the others.
         *
         * @param channels of the machine; @param seen those that were looked at and judged
         * @param tolerances per work; the usual where none is given
         */
        public static Check of(
                Work work, List<ChannelCode> channels, List<Seen> seen, Map<Work, Work.Tolerance> tolerances) {
            boolean film = work == Work.WHITE;
            var used = channels.stream().filter(c -> film || work.uses(c)).toList();
            var looked = seen.stream().filter(s -> used.contains(s.channel())).toList();
            if (looked.size() < used.size()) {
                return NONE;
            }
            var whites = looked.stream().filter(s -> s.channel().white()).toList();
            boolean good = looked.stream()
                            .filter(s -> !s.channel().white())
                            .allMatch(s -> s.takenBy(film ? Work.SOLID : work, tolerances))
                    && (whites.isEmpty() || whites.stream().anyMatch(s -> s.takenBy(Work.WHITE, tolerances)));
            return !good ? NOT_GOOD : looked.stream().allMatch(Seen::today) ? GOOD_TODAY : GOOD_BEFORE;
        }
    }

    /** @param words what for */
    public record Taken(Instant from, int minutes, String words) {
        Instant to() {
            return from.plus(Duration.ofMinutes(minutes));
        }
    }

    /**
     * A machine as it is ranked.
     *
     * @param ready when the job could be handed over; null if it cannot print it
     * @param why not, or what it takes
     * @param helps what would make it possible, or sooner
     */
    public record Ranked(
            long machine,
            String name,
            boolean can,
            @Nullable Instant ready,
            boolean inTime,
            List<String> why,
            List<String> helps) {
        public Ranked {
            why = List.copyOf(why);
            helps = List.copyOf(helps);
        }
    }

    /**
     * The best first: those that can, those in time, the soonest, the least hands.
     *
     * @param free hands that nothing else has been promised
     */
    public static List<Ranked> rank(
            List<Candidate> all, Media media, Family wanted, Instant now, Instant due, FreeHands free) {
        record Both(Candidate of, Ranked ranked) {}
        return all.stream()
                .map(c -> new Both(c, c.ranked(media, wanted, now, due, free)))
                .sorted(Comparator.comparing((Both b) -> !b.ranked().can())
                        .thenComparing(b -> !b.ranked().inTime())
                        .thenComparing(b -> b.ranked().ready() == null
                                ? Instant.MAX
                                : b.ranked().ready())
                        .thenComparing(b -> b.of().hands())
                        .thenComparing(b -> b.of().name()))
                .map(Both::ranked)
                .toList();
    }

    private Ranked ranked(Media media, Family wanted, Instant now, Instant due, FreeHands free) {
        var why = new ArrayList<String>();
        var helps = new ArrayList<String>();
        refusal(media, wanted, helps).ifPresent(why::add);
        if (!why.isEmpty()) {
            return new Ranked(machine, name, false, null, false, why, helps);
        }
        var printed = printed(fit(now, free), free, taken);
        var ready = free.after(printed, presses);
        why.add(capital(check.words()) + ".");
        if (trouble != Trouble.NONE) {
            why.add(capital(trouble.words) + ".");
        }
        if (check == Check.NOT_GOOD && trouble == Trouble.NONE) {
            why.add("Ask the clinic what it takes.");
        }
        if (hands == 0 && waits > 0) {
            why.add("It rests or waits for %s yet.".formatted(hours(waits)));
        } else if (hands > 0) {
            why.add(
                    waits == 0
                            ? "Fit after about %d min of hands.".formatted(hands)
                            : "Fit after about %d min of hands and %s of waiting.".formatted(hands, hours(waits)));
        }
        if (presses > 0) {
            why.add("Once printed, about %s of hands until it can be handed over.".formatted(hours(presses)));
        }
        if (!topUp.isEmpty()) {
            why.add("Top up %s first.".formatted(String.join(", ", topUp)));
        }
        taken.stream()
                .filter(t -> t.from().isBefore(printed) && t.to().isAfter(now))
                .forEach(t -> why.add("Promised besides: %s.".formatted(t.words())));
        boolean inTime = !ready.isAfter(due);
        if (!inTime) {
            helps.addAll(sooner(now, due, free));
        }
        return new Ranked(machine, name, true, ready, inTime, why, helps);
    }

    private Optional<String> refusal(Media media, Family wanted, List<String> helps) {
        if (!trouble.passes()) {
            helps.add(
                    switch (trouble) {
                        case PARKED -> "Wake it: plan a changeover.";
                        case CRAFT -> "A machine that never held another ink.";
                        default -> "Plan its ink: a changeover.";
                    });
            return Optional.of(capital(trouble.words) + ".");
        }
        if (ink != wanted) {
            helps.add("A changeover to %s ink, where its history allows one.".formatted(wanted.label()));
            return Optional.of(
                    ink == null
                            ? "It holds no ink."
                            : "It holds %s ink, not %s.".formatted(ink.label(), wanted.label()));
        }
        if (!media.fits(largest, film)) {
            helps.add(media.roll() ? "Lay it out on sheets." : "Lay it out on a smaller sheet.");
            return Optional.of(
                    media.roll() && !film ? "No film goes through it." : "It takes up to %s.".formatted(largest));
        }
        return Optional.empty();
    }

    private Instant fit(Instant now, FreeHands free) {
        return free.after(now.plus(Duration.ofMinutes(waits)), hands);
    }

    /** When it is printed, from the first moment on at which nothing else that is promised is in the way. */
    private Instant printed(Instant fit, FreeHands free, List<Taken> promised) {
        var at = fit;
        for (var other : promised) {
            boolean before = !at.plus(Duration.ofMinutes(prints)).isAfter(other.from());
            if (!before && other.to().isAfter(at)) {
                at = other.to();
            }
        }
        return free.printed(at, prints);
    }

    /** Each thing that by itself makes it in time; else what is left to do. */
    private List<String> sooner(Instant now, Instant due, FreeHands free) {
        var helps = new ArrayList<String>();
        if (inTime(printed(fit(now, free), free, List.of()), free, due)) {
            helps.add("Move what else it has promised.");
        }
        if (hands > 0 && inTime(printed(now, free, taken), free, due)) {
            helps.add("Have it fit before: %d min of hands.".formatted(hands));
        }
        var idle = free.idle();
        if (inTime(printed(fit(now, idle), idle, taken), idle, due)) {
            helps.add("All hands are busy: ask somebody more, or leave something of the round (%s are wanted)."
                    .formatted(hours(hands + presses)));
        } else if (inTime(printed(fit(now, FreeHands.ALWAYS), FreeHands.ALWAYS, taken), FreeHands.ALWAYS, due)) {
            helps.add("Open longer, or share it between two: so much does not fit into the hours until then.");
        }
        if (helps.isEmpty()) {
            helps.add("Promise it later, or share it between two machines.");
        }
        return helps;
    }

    private boolean inTime(Instant printed, FreeHands free, Instant due) {
        return !free.after(printed, presses).isAfter(due);
    }

    private static String hours(int minutes) {
        return minutes < 120 ? minutes + " min" : Math.round(minutes / 60.0) + " h";
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
