package fairkettle.server.jobs;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.job.FilmFeed;
import fairkettle.job.Media;
import fairkettle.job.Piece;
import fairkettle.job.PressLine;
import fairkettle.job.Separation.Tone;
import fairkettle.job.Sign;
import fairkettle.job.Substrate;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * A job as its book keeps it. Whoever changes it writes it anew, whole.
 *
 * @param order what was asked for
 * @param machine that prints it; null while none is chosen
 * @param minutes that the machine prints
 * @param prints sheets that came out
 * @param line steps at the press that are done, in their order
 * @param feed of a film that is fed through; null where none is
 * @param looked of the first sheets after a cured clog, how many were looked at
 * @param faults that were found on its prints
 * @param raw picture of it before the press; {@code pressed} after
 */
public record Job(
        long id,
        State state,
        Order order,
        @Nullable Long machine,
        int minutes,
        List<Print> prints,
        List<PressLine> line,
        @Nullable FilmFeed feed,
        int looked,
        boolean blanksTested,
        List<Fault> faults,
        @Nullable UUID raw,
        @Nullable UUID pressed,
        @Nullable Came came,
        Instant takenAt) {

    public enum State {
        TAKEN("to be printed"),
        PRINTED("printed"),
        CLOSED("done"),
        OFF("called off"),
        REFUSED("refused");

        private final String words;

        State(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    public Job {
        prints = List.copyOf(prints);
        line = List.copyOf(line);
        faults = List.copyOf(faults);
    }

    /**
     * @param photo whether it is a picture, not areas of colour
     * @param gap between pieces, tenths of a mm
     * @param preset by its name; empty for none
     * @param press °C and seconds, from the pack; null until somebody read it; {@code cure} likewise
     * @param blank what one blank costs, minor units; @param blankArticle under which they are counted on the shelf; 0
     *     for none
     */
    public record Order(
            String customer,
            String what,
            Family ink,
            Substrate substrate,
            boolean dark,
            boolean photo,
            List<Pieces> pieces,
            String media,
            int gap,
            Instant due,
            String notes,
            String preset,
            PressLine.@Nullable Heat press,
            PressLine.@Nullable Heat cure,
            long blank,
            long blankArticle) {
        public Order {
            pieces = List.copyOf(pieces);
        }

        Media on() {
            return Media.named(media)
                    .orElseThrow(() -> new IllegalStateException("Impossible state: no media “%s”.".formatted(media)));
        }

        List<Piece> rectangles() {
            return pieces.stream()
                    .map(p -> new Piece(p.width(), p.height(), p.count(), p.turning()))
                    .toList();
        }

        int count() {
            return pieces.stream().mapToInt(Pieces::count).sum();
        }

        Substrate.Gate gate() {
            return substrate.gate(ink, dark);
        }

        boolean mirrored() {
            return substrate.mirrored(ink);
        }

        List<PressLine> steps() {
            return PressLine.of(ink, substrate, on().roll());
        }
    }

    /** @param width tenths of a mm; @param artwork null where a frame is printed */
    public record Pieces(
            String label,
            int width,
            int height,
            int count,
            Piece.Turning turning,
            @Nullable Long artwork) {}

    /**
     * Sheets that came out together.
     *
     * @param sheet its number; @param sheets how many
     * @param whole share of the job’s area that they hold, 0 to 1
     * @param reason why it was printed without a good check of the day; empty where there was one
     * @param laid what each channel laid down
     */
    public record Print(
            long sheet,
            long machine,
            Instant at,
            int sheets,
            double whole,
            boolean test,
            String reason,
            List<Laid> laid) {
        public Print {
            laid = List.copyOf(laid);
        }
    }

    /** @param full mL that the profile reckons with for the area fully covered; @param mL that was booked */
    public record Laid(ChannelCode channel, double full, Tone tone, double mL) {}

    /** Something was wrong with a print. @param caseId that was opened for it; 0 for none */
    public record Fault(Instant at, Sign sign, String words, long caseId) {}

    /**
     * What came of it.
     *
     * @param sign of what was spoiled; null where nothing was
     * @param words what was seen; {@code said} by the customer
     * @param minutes of hands; @param lots bottles that were in the machine, by their names
     * @param cost minor units
     */
    public record Came(
            Instant at,
            int good,
            int spoiled,
            @Nullable Sign sign,
            String words,
            String said,
            int minutes,
            List<String> lots,
            long cost) {
        public Came {
            lots = List.copyOf(lots);
        }
    }

    /** Share of a job from which on all of it came out: shares are sums of fractions. */
    static final double WHOLE = .999;

    static Job taken(long id, State state, Order order, Instant at) {
        return new Job(
                id, state, order, null, 0, List.of(), List.of(), null, 0, false, List.of(), null, null, null, at);
    }

    boolean open() {
        return state == State.TAKEN || state == State.PRINTED;
    }

    /** Share of it that came out for real. */
    double printed() {
        return prints.stream().filter(p -> !p.test()).mapToDouble(Print::whole).sum();
    }

    Job in(State now) {
        return but(d -> d.state = now);
    }

    Job ordered(Order now) {
        return but(d -> d.order = now);
    }

    Job on(@Nullable Long machine, int minutes) {
        return but(d -> {
            d.machine = machine;
            d.minutes = minutes;
        });
    }

    Job with(Print print) {
        return but(d -> d.prints.add(print));
    }

    /** A sheet did not come out after all; a job that is closed stays so. */
    Job without(long sheet) {
        var left = but(d -> d.prints.removeIf(p -> p.sheet() == sheet));
        return state == State.PRINTED && left.printed() < WHOLE ? left.in(State.TAKEN) : left;
    }

    Job done(PressLine step) {
        return but(d -> d.line.add(step));
    }

    Job fed(FilmFeed now) {
        return but(d -> d.feed = now);
    }

    Job faulty(Fault fault) {
        return but(d -> d.faults.add(fault));
    }

    Job seen(int looked, boolean blanksTested) {
        return but(d -> {
            d.looked = looked;
            d.blanksTested = blanksTested;
        });
    }

    Job pictured(@Nullable UUID raw, @Nullable UUID pressed) {
        return but(d -> {
            d.raw = raw;
            d.pressed = pressed;
        });
    }

    Job closed(Came came) {
        return but(d -> {
            d.state = State.CLOSED;
            d.came = came;
        });
    }

    private Job but(Consumer<Draft> change) {
        var draft = new Draft(this);
        change.accept(draft);
        return draft.job();
    }

    /** A job while something of it is changed. */
    private static final class Draft {
        private final long id;
        private State state;
        private Order order;
        private @Nullable Long machine;
        private int minutes;
        private final List<Print> prints;
        private final List<PressLine> line;
        private @Nullable FilmFeed feed;
        private int looked;
        private boolean blanksTested;
        private final List<Fault> faults;
        private @Nullable UUID raw;
        private @Nullable UUID pressed;
        private @Nullable Came came;
        private final Instant takenAt;

        Draft(Job of) {
            id = of.id;
            state = of.state;
            order = of.order;
            machine = of.machine;
            minutes = of.minutes;
            prints = new ArrayList<>(of.prints);
            line = new ArrayList<>(of.line);
            feed = of.feed;
            looked = of.looked;
            blanksTested = of.blanksTested;
            faults = new ArrayList<>(of.faults);
            raw = of.raw;
            pressed = of.pressed;
            came = of.came;
            takenAt = of.takenAt;
        }

        Job job() {
            return new Job(
                    id,
                    state,
                    order,
                    machine,
                    minutes,
                    prints,
                    line,
                    feed,
                    looked,
                    blanksTested,
                    faults,
                    raw,
                    pressed,
                    came,
                    takenAt);
        }
    }
}
