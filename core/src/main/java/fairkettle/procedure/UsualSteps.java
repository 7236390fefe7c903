package fairkettle.procedure;

import static fairkettle.procedure.Step.step;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.Channel;
import fairkettle.machine.Handling;
import fairkettle.machine.Profile;
import fairkettle.safety.Caution;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Moves of the hands that several kinds of card share: in one place, so that they are said alike everywhere. */
public final class UsualSteps {

    /** Loose parts of a head and its base. */
    private static final List<String> LOOSE = List.of("screws", "springs", "clips: no spare exists", "caps and covers");

    /** What is counted where a bench is made ready. */
    public static final List<String> TOWELS = List.of("towels");

    private UsualSteps() {}

    /** Gloves, and towels that are counted: what went in comes out. */
    public static Step ready(Family family) {
        return step("ready", "Gloves on, towels counted")
                .say("Cloth and tray under the machine, towels folded lengthwise. Write down how many: a towel left"
                        + " inside tears the head off its carriage.")
                .minutes(3)
                .with("gloves, and a spare pair", "towels", "labelled waste bottle", family.label() + " fluid")
                .care(Caution.INK, Caution.WASTE)
                .hold("Gloves are on, a spare pair and the labelled waste bottle stand at hand, the towels are"
                        + " counted.")
                .ask(new Ask.Tally("Laid out", TOWELS, null))
                .then(Facet.GLOVES, "on")
                .build();
    }

    public static Step towelsOut() {
        return towelsOut("ready");
    }

    /** As many as were laid out. @param laid the step that counted them in */
    public static Step towelsOut(String laid) {
        return step("towel-out", "Every towel out again")
                .say("Before anything moves and before a lid is shut.")
                .minutes(1)
                .hold("As many towels are out as were laid out.")
                .ask(new Ask.Tally("Out again", TOWELS, laid))
                .build();
    }

    /** Off its dock and without power, in this machine’s own way. */
    public static Step free(Profile profile) {
        return free(profile.handling().freeing()).build();
    }

    /** The same, to be told what else it wants. */
    public static Step.Builder free(CarriageFreeing way) {
        return step("free", "Free the carriage, unplug")
                .say("This one is freed " + way.label() + ". " + way.goesWrong()
                        + " A carriage that has power is never pushed: it loses its place. The lid is propped.")
                .minutes(4)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS, Caution.LID, Caution.FORCE)
                .hold("No cord is in the machine before hands go in.")
                .restsOn(Handling.Matter.FREEING)
                .ask(new Ask.Ticks(way.acts(), true))
                .then(Facet.CARRIAGE, "free")
                .then(Facet.POWER, "unplugged");
    }

    /** Where the head may stay on its dock. */
    public static Step off() {
        return step("off", "Let it park, unplug it")
                .say("Off by its key; wait until the carriage is home. Cord out of the wall first, then out of the"
                        + " machine.")
                .minutes(1)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS)
                .then(Facet.POWER, "unplugged")
                .build();
    }

    /** Never in the air. */
    public static Step wetCloth(Family family) {
        return step("wet-cloth", "A wet cloth under the head")
                .say(
                        "Lint-free, folded, wet with %s fluid but not dripping, so that the plate lies on it. Wet it again whenever the card says so: a cloth that dries glues the plate."
                                .formatted(family.label()))
                .minutes(2)
                .with("lint-free cloth", family.label() + " fluid")
                .care(Caution.INK, Caution.BOARD)
                .needs(Facet.CARRIAGE, "free")
                .needs(Facet.POWER, "unplugged")
                .then(Facet.HEAD_REST, "on a wet cloth")
                .build();
    }

    /** Bottles that hang above the head squirt when a joint is opened; only film machines have them. */
    public static List<Step> lowered(Profile profile) {
        return profile.architecture() != Architecture.FILM
                ? List.of()
                : List.of(step("lower", "Raised bottles down")
                        .say("Before a joint is opened, or it squirts.")
                        .minutes(2)
                        .hold("No bottle stands above the head.")
                        .care(Caution.SQUIRT)
                        .build());
    }

    /** What a sheet is printed on. White on white paper shows nothing. */
    public static String carrier(List<ChannelCode> channels) {
        boolean white = channels.stream().anyMatch(ChannelCode::white);
        boolean colour = channels.stream().anyMatch(c -> !c.white());
        return white
                ? (colour ? "Colours on plain paper; white" : "White")
                        + " on dark paper, or on clear film over something dark: on white paper it shows nothing."
                : "On plain paper.";
    }

    public static Step clothOut() {
        return step("cloth-out", "The wet cloth out from under the head")
                .say("Sideways, never dragged over the plate. From now on nothing may take long until it is docked.")
                .minutes(1)
                .hold("The cloth is out of the machine.")
                .needs(Facet.HEAD_REST, "on a wet cloth")
                .then(Facet.HEAD_REST, "bare")
                .build();
    }

    /** Closed, then powered: what a machine's class asks of its covers stands with it. */
    public static Step on(Profile profile) {
        return on(profile, profile.handling().freeing().nextStart());
    }

    /** The same where it was switched off by its key: it has nothing to complain of. */
    public static Step onAgain(Profile profile) {
        return on(profile, "");
    }

    /** @param said what its panel may say at this start, and what to answer; empty for nothing */
    private static Step on(Profile profile, String said) {
        return step("on", "Close it, plug it in, let it park")
                .say(covers(profile) + " Hands out. " + (said.isEmpty() ? "" : said + " ")
                        + "Wait until the carriage has parked.")
                .minutes(1)
                .care(Caution.OPEN_POWER, Caution.ELECTRICITY)
                .restsOn(Handling.Matter.FREEING)
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.HEAD_REST, "bare")
                .ask(new Ask.Ticks(
                        List.of(
                                "nothing left inside",
                                "covers on, but for one that stays off for a reason",
                                "cord into the machine, then into the wall",
                                "switched on, and parked"),
                        true))
                .branch(Branch.once(
                        "cover-off",
                        "A cover stays off",
                        step("cover-off", "Which one, and why?")
                                .say("To look at something that moves, and no longer: an open machine catches fingers,"
                                        + " hair and dust. Nobody reaches in, and nothing is printed for a customer.")
                                .minutes(1)
                                .care(Caution.OPEN_POWER, Caution.MOVING_PARTS)
                                .ask(new Ask.Words("which cover, why, and until when"))
                                .build()))
                .then(Facet.COVERS, "on")
                .then(Facet.POWER, "on")
                .then(Facet.CARRIAGE, "docked")
                .build();
    }

    /** What a hand can end is agreed to before it is begun. @param say what comes before it, and how it goes */
    public static Step worth(String title, String say) {
        return step("worth", title)
                .say(say + " Price of a head, price of the machine: decide now, not with the screws in hand.")
                .minutes(2)
                .care(Caution.HEAD_RISK)
                .ask(new Ask.Acknowledge("This head may be lost by it, and we can afford a new one."))
                .build();
    }

    /** Covers that stand before the dampers, their screws counted by kind. */
    public static Step coversOff(Profile profile) {
        var screws = profile.handling().screws();
        var off = step("covers-off", screws.isEmpty() ? "Lid up" : "Screws out, cover aside")
                .say(
                        screws.isEmpty()
                                ? "No screw holds anything here."
                                : "Of each kind as many as the machine really has; the first count is often one short."
                                        + " A cover that will not come has one in it still.")
                .minutes(screws.isEmpty() ? 1 : 4)
                .needs(Facet.POWER, "unplugged")
                .then(Facet.COVERS, "off");
        if (!screws.isEmpty()) {
            off.with("magnetic screwdriver", "cup")
                    .care(Caution.SMALL_PARTS, Caution.FORCE, Caution.ELECTRICITY)
                    .hold("Before the first screw: the opening is covered, and the driver is magnetic.")
                    .restsOn(Handling.Matter.SCREWS)
                    .ask(new Ask.Tally("Out", kinds(profile), null));
        }
        return off.build();
    }

    /** The same covers, the same screws. */
    public static Step coversOn(Profile profile) {
        var screws = profile.handling().screws();
        var on = step("covers-on", screws.isEmpty() ? "Lid down" : "Cover back, the same screws in")
                .say("In the reverse order of coming off: what came off last goes on first.")
                .minutes(screws.isEmpty() ? 1 : 5)
                .needs(Facet.COVERS, "off")
                .then(Facet.COVERS, "on");
        if (!screws.isEmpty()) {
            on.care(Caution.SMALL_PARTS, Caution.FORCE)
                    .hold("As many of each kind are in as came out.")
                    .restsOn(Handling.Matter.SCREWS)
                    .ask(new Ask.Tally("In", kinds(profile).reversed(), "covers-off"));
        }
        return on.build();
    }

    /** Covers lie over dampers, and none over cartridges or heads that are snapped in. */
    public static List<Step> inletBared(Profile profile) {
        return inletIsCovered(profile) ? List.of(coversOff(profile)) : List.of();
    }

    public static List<Step> inletCovered(Profile profile) {
        return inletIsCovered(profile) ? List.of(coversOn(profile)) : List.of();
    }

    private static boolean inletIsCovered(Profile profile) {
        return profile.architecture() == Architecture.TANK || profile.architecture() == Architecture.FILM;
    }

    /** Screws by kind, with how many a machine of this profile has: "the tiny one (1)". */
    public static List<String> kinds(Profile profile) {
        return profile.handling().screws().stream()
                .map(s -> "%s (%d)".formatted(s.which(), s.count()))
                .toList();
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

    /** The same, and which syringe draws it. */
    public static Ask.Grid drawn(String label, List<ChannelCode> channels, Millilitres each) {
        return new Ask.Grid(
                channels,
                List.of(
                        volumes(label, channels, each).columns().getFirst(),
                        new Ask.Column("its syringe", Ask.ColumnKind.TOOL, List.of())));
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
                .say(
                        profile.headsByUser()
                                ? "Thumb on its black front, a finger beneath, pull down. Caps on, plate up, onto the"
                                        + " tray."
                                : "Photograph every cable. What comes off goes into the cup, counted; the first count"
                                        + " is often one short.")
                .minutes(profile.headsByUser() ? 4 : 20)
                .with(profile.headsByUser() ? "tray" : "magnetic screwdriver and cup")
                .care(Caution.ELECTRICITY, Caution.SMALL_PARTS, Caution.BOARD, Caution.HEAD_RISK)
                .ask(new Ask.Tally("Counted out", LOOSE, null))
                .then(Facet.HEAD, "out")
                .build();
    }

    /** In again: the base the right way round, two screws crosswise before the others, every part counted back. */
    public static List<Step> headIn(Profile profile) {
        return profile.headsByUser() ? List.of(snappedIn(), countedBack()) : screwedIn(profile);
    }

    private static Step snappedIn() {
        return step("in", "Dry its contacts, drop it in")
                .say("Letter to letter. Press, and its sprung cap rises; press it home; lid. No screw, no base, no"
                        + " cable.")
                .minutes(2)
                .hold("The contacts are dry, and every head has clicked.")
                .care(Caution.BOARD, Caution.FORCE)
                .needs(Facet.HEAD, "out")
                .then(Facet.HEAD, "in place")
                .build();
    }

    private static Step countedBack() {
        return step("counted", "Count the parts back")
                .say("A part that is left over lies in the machine, or holds nothing.")
                .minutes(2)
                .ask(new Ask.Tally("Counted back in", LOOSE, "out"))
                .build();
    }

    private static List<Step> screwedIn(Profile profile) {
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
                        .minutes(8)
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
                countedBack());
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
