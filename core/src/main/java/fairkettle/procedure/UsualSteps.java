package fairkettle.procedure;

import static fairkettle.procedure.Step.step;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.Profile;
import fairkettle.safety.Caution;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Moves of the hands that several kinds of card share: in one place, so that they are said alike everywhere. */
public final class UsualSteps {

    /** Loose parts of a head and its base. */
    private static final List<String> LOOSE = List.of("screws", "springs", "clips: no spare exists", "caps and covers");

    private UsualSteps() {}

    public static Step off() {
        return step("off", "Unplug it")
                .say("Where the carriage has to be freed, leave the power on until it is, then unplug.")
                .minutes(1)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS)
                .then(Facet.POWER, "unplugged")
                .build();
    }

    /** Closed, then powered: what a machine's class asks of its covers stands with it. */
    public static Step on(Profile profile) {
        return step("on", "Close it, plug it in, let it park")
                .say(covers(profile) + " Hands out. Wait until the carriage has parked.")
                .minutes(1)
                .care(Caution.OPEN_POWER)
                .needs(Facet.POWER, "unplugged")
                .ask(new Ask.Ticks(List.of("nothing left inside", "covers on")))
                .then(Facet.COVERS, "on")
                .then(Facet.POWER, "on")
                .build();
    }

    /** Which covers may stay off is the machine's to say, not the habit of the house. */
    public static String covers(Profile profile) {
        return switch (profile.architecture()) {
            case FILM -> "The inner ink cover may stay off, film needs its path; the outer ones go on.";
            case BAY ->
                "The inner ink cover must be on: it holds the bay shut, and without it the sensor stops the machine.";
            case BULK ->
                "The inner ink cover may stay off where the ribbon needs its room; the lid closes all the same.";
            case TANK, CARTRIDGE, SNAP_IN -> "Every cover goes on, the inner one too.";
        };
    }

    /** mL for each channel, tapped on the syringe. */
    public static Ask.Grid volumes(String label, List<ChannelCode> channels, Millilitres each) {
        return new Ask.Grid(
                channels,
                List.of(new Ask.Column(
                        label,
                        Ask.ColumnKind.VOLUME,
                        channels.stream().map(_ -> each).toList())));
    }

    private static final List<String> NEW_OR_OLD = List.of("a new one", "the old one");

    /** A fitted thing or the old one again: only what is new begins to age from now. */
    public static Ask.Each fitted(List<ChannelCode> channels) {
        return new Ask.Each(
                "What went in?", channels.stream().map(ChannelCode::code).toList(), NEW_OR_OLD);
    }

    /** How many new ones went in on a card; empty if it never asks. */
    public static Optional<Integer> newlyFitted(Card card) {
        return card.runs().stream()
                .filter(r -> r.status() == StepRun.Status.DONE)
                .flatMap(r -> r.step().ask() instanceof Ask.Each each
                                && each.answers().equals(NEW_OR_OLD)
                        ? Stream.of(Entries.answeredFirst(r, each).size())
                        : Stream.empty())
                .reduce(Integer::sum);
    }

    /** Out with a head: every part counted before it is loose. */
    public static Step headOut(Profile profile) {
        return step("out", profile.headsByUser() ? "Snap the head out" : "Take the head out")
                .say("Photograph every cable. What comes off goes into the cup, counted; the first count is often"
                        + " one short.")
                .minutes(profile.headsByUser() ? 4 : 20)
                .with("magnetic screwdriver", "cup for screws")
                .care(Caution.ELECTRICITY, Caution.SMALL_PARTS, Caution.BOARD, Caution.HEAD_RISK)
                .ask(new Ask.Tally("Counted out", LOOSE, null))
                .then(Facet.HEAD, "out")
                .build();
    }

    /** In again: the base the right way round, two screws crosswise before the others, every part counted back. */
    public static List<Step> headIn(Profile profile) {
        return List.of(
                step("base", "Which way round is the base?")
                        .say("The tab with the serial number lies on the side that has two holes. The other way it"
                                + " sits upside down, and its screws bite all the same.")
                        .minutes(1)
                        .hold("The serial tab lies at the two holes.")
                        .needs(Facet.HEAD, "out")
                        .care(Caution.FORCE)
                        .build(),
                step("in", "Dry its contacts, put it back")
                        .say("Dry before screws; the flat cable before its seal; straight in.")
                        .minutes(profile.headsByUser() ? 2 : 8)
                        .hold("The contacts are dry, the cable sits straight.")
                        .care(Caution.BOARD, Caution.FORCE)
                        .build(),
                step("screws", "Screws crosswise")
                        .say("Two on a diagonal first, so that it lies flat; then the others; then once round. No"
                                + " screw locks the head: the machine does, when it homes.")
                        .minutes(5)
                        .care(Caution.FORCE, Caution.SMALL_PARTS)
                        .ask(new Ask.Ticks(
                                List.of(
                                        "1: front left, two turns",
                                        "2: back right, two turns",
                                        "3: front right",
                                        "4: back left",
                                        "once round, snug"),
                                true))
                        .then(Facet.HEAD, "in place")
                        .build(),
                step("counted", "Count the parts back")
                        .say("A screw that is left over lies in the machine, or holds nothing.")
                        .minutes(2)
                        .ask(new Ask.Tally("Counted back in", LOOSE, "out"))
                        .build());
    }

    /** After every move of the head. */
    public static Step home() {
        return step("home", "Let it find its home")
                .say("Switch it off and on by its button and let the carriage run to both ends by itself: that"
                        + " locks the head. Never by hand.")
                .minutes(2)
                .care(Caution.MOVING_PARTS)
                .needs(Facet.POWER, "on")
                .build();
    }

    /** A nozzle check of every channel, within a card. */
    public static Step check(Profile profile) {
        return step("look", "Nozzle check")
                .say("Look at every channel, not only the one that was worked on.")
                .minutes(3)
                .ask(new Ask.Comb(
                        profile.codes(),
                        profile.channels().stream().map(Channel::nozzles).toList()))
                .build();
    }

    /** The cloth that will touch the plate. */
    public static Step cloth() {
        return step("cloth", "Look at the cloth before it meets the head")
                .say("Lint-free, dear, and used again: washed, dried, held against the light. One hard crumb"
                        + " scratches the plate.")
                .minutes(1)
                .with("lint-free cloth")
                .ask(new Ask.Choice(
                        "How often was it washed?",
                        List.of("new", "once or twice", "three times or more, and still whole")))
                .branch(Branch.once(
                        "chunks",
                        "Crumbs, threads or a hard spot",
                        step("retire", "Retire this cloth")
                                .say("Bench rag from now on. Take another, and look at that one too.")
                                .minutes(1)
                                .build()))
                .build();
    }
}
