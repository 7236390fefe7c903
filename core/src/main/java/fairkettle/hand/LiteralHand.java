package fairkettle.hand;

import fairkettle.changeover.Job;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.BulkKit;
import fairkettle.machine.PanelKind;
import fairkettle.machine.Profile;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * A stranger with the machine in front of them, who does what each sentence says and knows nothing better: on a bench
 * of its own, with a cord, a carriage, covers, tubes, caps and what every vessel holds. It reads words, ticks and
 * volumes, and neither what steps need nor what they change; so it finds out where a card cannot be done, or does harm.
 */
public final class LiteralHand {

    public enum Harm {
        /** what the sentence speaks of is not there, or nothing comes */
        IMPOSSIBLE("It cannot be done"),
        /** hands go in, or things move, with power where there must be none */
        UNSAFE("Somebody gets hurt"),
        OVERFILLED("It runs over"),
        /** air is drawn into a path */
        AIR("Air is drawn in"),
        /** the head stands in the air for too long */
        DRIED("The head dries"),
        /** something is left inside, or catches, or breaks */
        BROKEN("Something breaks"),
        /** ink runs where no vessel is, or onto bare hands */
        SPILT("Ink runs out"),
        /** where no hand gets to as it stands */
        UNREACHABLE("No hand gets there"),
        /** asks for what nobody can see */
        UNKNOWABLE("Nobody can see that"),
        /** a sentence that this hand has not been taught: somebody has to decide what it means */
        UNKNOWN("Nobody knows what that means");

        private final String label;

        Harm(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public record Fault(Harm harm, String step, String words) {}

    /** @param held mL in each vessel; @param boxed true for a machine as it comes, taped */
    public record Start(boolean powered, boolean boxed, Map<ChannelCode, Map<VesselKind, Double>> held) {

        /** The machine of a job as it stands there. */
        public static Start of(Job job) {
            var held = new HashMap<ChannelCode, Map<VesselKind, Double>>();
            job.profile().channels().forEach(c -> {
                var vessels = new EnumMap<VesselKind, Double>(VesselKind.class);
                c.path()
                        .forEach(v -> vessels.put(
                                v.kind(), job.now(c.code()).level(v.kind()).mL()));
                held.put(c.code(), vessels);
            });
            return new Start(!job.neverInked() && !job.parked(), job.neverInked(), held);
        }

        /** A machine that runs, its first vessels filled to four fifths. */
        public static Start running(Profile profile) {
            var held = new HashMap<ChannelCode, Map<VesselKind, Double>>();
            profile.channels().forEach(c -> {
                var vessels = new EnumMap<VesselKind, Double>(VesselKind.class);
                c.path()
                        .forEach(v -> vessels.put(
                                v.kind(),
                                v.capacity().mL() * (v.kind() == c.first().kind() ? .8 : 1)));
                held.put(c.code(), vessels);
            });
            return new Start(true, false, held);
        }
    }

    /** Minutes in which a head may stand in the air. */
    private static final int BARE = 20;

    private static final double FEEL = 0.6; // mL by which an estimate of what a vessel holds may be off

    private final Profile before;
    private final Profile after;
    private final List<Fault> faults = new ArrayList<>();
    private final Map<ChannelCode, Map<VesselKind, Double>> held = new HashMap<>();
    private final Map<ChannelCode, Map<VesselKind, Double>> onBench = new HashMap<>(); // filled before it is fitted
    private final Map<String, List<String>> counted = new HashMap<>();
    private final Set<ChannelCode> tubesOff = new HashSet<>();
    private final Set<ChannelCode> capsOpen = new HashSet<>();
    private final Set<ChannelCode> plugged = new HashSet<>();
    private boolean cord;
    private boolean on;
    private boolean docked = true;
    private boolean cloth;
    private boolean coversOff;
    private boolean taped;
    private boolean gloves;
    private boolean laid; // towels, counted; they are in the machine once hands are
    private boolean towels;
    private boolean valveShut;
    private boolean stopped;
    private boolean headOut;
    private boolean cableOut;
    private boolean barUp;
    private boolean barLoose;
    private boolean refitted;
    private boolean cartridgesOut;
    private boolean clicked;
    private boolean wasteOpen;
    private double bare;
    private String at = "";

    LiteralHand(Profile before, Profile after, Start start) {
        this.before = before;
        this.after = after;
        cord = start.powered();
        on = start.powered();
        taped = start.boxed();
        start.held().forEach((code, vessels) -> held.put(code, new EnumMap<>(vessels)));
    }

    public static List<Fault> carryOut(Profile before, Profile after, Start start, List<Step> steps) {
        var hand = new LiteralHand(before, after, start);
        steps.forEach(hand::step);
        return hand.faults;
    }

    /** The same bench once more, to try on it what will not be done. */
    private LiteralHand(LiteralHand other) {
        before = other.before;
        after = other.after;
        other.held.forEach((code, vessels) -> held.put(code, new EnumMap<>(vessels)));
        other.onBench.forEach((code, vessels) -> onBench.put(code, new EnumMap<>(vessels)));
        counted.putAll(other.counted);
        tubesOff.addAll(other.tubesOff);
        capsOpen.addAll(other.capsOpen);
        plugged.addAll(other.plugged);
        cord = other.cord;
        on = other.on;
        docked = other.docked;
        cloth = other.cloth;
        coversOff = other.coversOff;
        taped = other.taped;
        gloves = other.gloves;
        laid = other.laid;
        towels = other.towels;
        valveShut = other.valveShut;
        stopped = other.stopped;
        headOut = other.headOut;
        cableOut = other.cableOut;
        barUp = other.barUp;
        barLoose = other.barLoose;
        refitted = other.refitted;
        cartridgesOut = other.cartridgesOut;
        clicked = other.clicked;
        wasteOpen = other.wasteOpen;
        bare = other.bare;
    }

    /** Does it, and knows what it did. */
    List<Fault> does(Step step) {
        faults.clear();
        step(step);
        return List.copyOf(faults);
    }

    /** What it would do, if it were done now. */
    List<Fault> would(Step step) {
        return new LiteralHand(this).does(step);
    }

    /** The bench as one looks at it. */
    Scene scene() {
        var open = new ArrayList<String>();
        if (coversOff) {
            open.add("covers off");
        }
        if (!tubesOff.isEmpty()) {
            open.add("tubes off");
        }
        if (!capsOpen.isEmpty()) {
            open.add("tank caps open");
        }
        if (towels || laid) {
            open.add(towels ? "towels inside" : "towels on the bench");
        }
        if (valveShut) {
            open.add("valve shut");
        }
        if (!plugged.isEmpty()) {
            open.add("vents plugged");
        }
        if (cartridgesOut) {
            open.add("cartridges out");
        }
        if (barLoose) {
            open.add(barUp ? "bar up" : "bar loose, flat");
        }
        if (headOut) {
            open.add("head out");
        }
        var tanks = new LinkedHashMap<ChannelCode, Double>();
        now().channels()
                .forEach(c -> tanks.put(
                        c.code(),
                        in(c.code(), c.first().kind()) / c.first().capacity().mL()));
        return new Scene(
                on ? "on" : cord ? "off, cord in" : "unplugged",
                docked
                        ? "docked"
                        : cloth ? "off its dock, on a wet cloth" : "in the air, %d min".formatted(Math.round(bare)),
                gloves,
                open,
                tanks);
    }

    /**
     * @param head where it stands, and for how long in the air
     * @param open what has to be put back or taken out
     * @param tanks share of the first vessel that is full, 0 to 1
     */
    public record Scene(String power, String head, boolean gloves, List<String> open, Map<ChannelCode, Double> tanks) {}

    private boolean inked() {
        return held.values().stream().anyMatch(v -> v.getOrDefault(VesselKind.HEAD, 0.0) > 0);
    }

    private void fault(Harm harm, String words) {
        faults.add(new Fault(harm, at, words));
    }

    private void wanted(boolean is, Harm harm, String words) {
        if (!is) {
            fault(harm, words);
        }
    }

    // ---- words -----------------------------------------------------------------------------------------------------

    private void step(Step step) {
        at = step.id();
        read(step);
        act(step);
        flow(step);
        if (!docked && !cloth && !headOut && inked()) {
            bare += step.minutes()
                    + (step.pause() == null ? 0 : step.pause().min().toSeconds() / 60.0);
            wanted(bare <= BARE, Harm.DRIED, "bare for %.0f min".formatted(bare));
        } else {
            bare = 0;
        }
    }

    /** Words that speak of what this machine does not have. */
    private void read(Step step) {
        var words = (step.title() + " " + step.say() + " " + (step.hold() == null ? "" : step.hold()) + " "
                        + items(step))
                .toLowerCase(Locale.ROOT);
        var panel = before.handling().panel().kind();
        if (panel != PanelKind.SCREEN) {
            wanted(!words.matches("(?s).*\\b(its|the) screen\\b.*"), Harm.IMPOSSIBLE, "there is no screen");
            wanted(!words.contains("replacement menu"), Harm.IMPOSSIBLE, "there is no menu");
        }
        if (after.architecture() == Architecture.BULK) {
            readKit(words);
        }
        if (before.headsByUser()) {
            wanted(!words.matches("(?s).*\\b\\d+ screws\\b.*"), Harm.IMPOSSIBLE, "no screw holds anything");
        }
        for (var item : step.ask() instanceof Ask.Tally tally ? tally.parts() : List.<String>of()) {
            wanted(!item.isBlank(), Harm.IMPOSSIBLE, "a part without a name");
        }
    }

    /** What is not in the box can be neither cut nor shut. */
    private void readKit(String words) {
        var kit = before.handling().kit();
        var box = words.replaceAll("this kit has [^.]*\\.", ""); // says what is there and what is not
        lacks(kit.looseDampers(), box, "inline damper", "cut through", "where to cut");
        lacks(kit.valve(), box, "valve open", "shut the valve", "valve is");
        lacks(kit.plugs(), box, "solid plug", "vent plugged", "plug the vents");
        lacks(kit.chamber() == BulkKit.Chamber.MARK, box, "level mark", "at the mark");
        lacks(kit.priming(), box, "priming chamber", "priming plug", "filling chamber");
        lacks(kit.constantHead(), box, "constant-head", "large bubble");
        lacks(kit.sponge(), box, "sponge", "free side");
        lacks(kit.bracket() != BulkKit.Bracket.NONE, box, "the bracket on", "hang the bracket");
        lacks(kit.bracket() == BulkKit.Bracket.STICKS, box, "face wiped");
        lacks(kit.bunged(), box, "bungs");
    }

    private void lacks(boolean there, String words, String... parts) {
        for (var part : parts) {
            wanted(there || !words.contains(part), Harm.IMPOSSIBLE, "this kit has none: “%s”".formatted(part));
        }
    }

    private static String items(Step step) {
        return switch (step.ask()) {
            case Ask.Ticks ticks -> String.join(" ", ticks.items());
            case Ask.Grid grid ->
                String.join(" ", grid.columns().stream().map(Ask.Column::label).toList());
            default -> "";
        };
    }

    // ---- hands -----------------------------------------------------------------------------------------------------

    private static final Set<String> LOOKS = Set.of(
            "warranty",
            "one-way",
            "food-rules",
            "box",
            "makers-ink",
            "surfaces",
            "food-label",
            "syringes",
            "bottles",
            "photograph",
            "label",
            "station",
            "close",
            "known-good",
            "position",
            "processing",
            "film-path",
            "levels",
            "hue",
            "proof",
            "align",
            "check",
            "sign-off",
            "vents",
            "first-start",
            "chips",
            "fw-leave-given",
            "fw-source",
            "fw-mode",
            "fw-flash",
            "fw-out",
            "fw-version",
            "fw-decline",
            "fw-activate",
            "fw-code",
            "mark-ribbon",
            "bracket",
            "inline",
            "push-on",
            "route",
            "slack",
            "plug",
            "stand",
            "old-stored",
            "new-lines",
            "joints",
            "pad-moist",
            "pad-caked",
            "pad-missing",
            "cover-off",
            "carry",
            "fasten",
            "rehang",
            "settle",
            "sealant",
            "head-base",
            "head-stays",
            "seal",
            "bar-tab",
            "rest",
            "confirm-full",
            "leaks",
            "threads",
            "free-seal",
            "makers-firmware",
            "makers-full",
            "to-rest",
            "shake",
            "raise",
            "white-block",
            "hole",
            "drain-open",
            "air-rest",
            "tilt",
            "level-mark",
            "constant-head",
            "recess",
            "worth",
            "fw-from",
            "board",
            "tool",
            "docked",
            "night",
            "level",
            "wet-cap",
            "cap",
            "vent",
            "tubes-out",
            "bath",
            "spray",
            "base",
            "counted",
            "home",
            "inlet-look",
            "white-low",
            "makers-ink-away",
            "record",
            "look",
            "poor",
            "flow",
            "lower",
            "growth-tools",
            "growth-bottles",
            "plugs",
            "first",
            "dissolve",
            "bubbles",
            "stir",
            "fill-key",
            "which",
            "tubes-in",
            "air",
            "shaker",
            "film",
            "ink",
            "tried",
            "loop",
            "banks",
            "colours",
            "shared",
            "driver",
            "paper-side",
            "continue",
            "connect",
            "plunger",
            "pull",
            "pull-colour",
            "rollers-back",
            "note");

    private void act(Step step) {
        var id = step.id();
        if (id.startsWith("power-on") || id.equals("power-again") || id.equals("on")) {
            powerOn();
            return;
        }
        if (id.matches("(fill|shake|rest|empty|draw-in|growth|raise)-.*|rinse.*")) {
            return; // what it moves is looked at by the volumes
        }
        switch (id) {
            case "transit" -> taped = false;
            case "bench", "ready" -> {
                gloves = true;
                count(step);
                laid = true;
            }
            case "free" -> freed(step);
            case "off" -> {
                cord = false;
                on = false;
            }
            case "wet-cloth" -> {
                inside("a cloth is laid under the head");
                wanted(!docked, Harm.IMPOSSIBLE, "the head stands on its dock");
                cloth = true;
            }
            case "cloth-out" -> {
                wanted(cloth, Harm.IMPOSSIBLE, "no cloth lies there");
                inside("the cloth is taken out");
                cloth = false;
            }
            case "screws-out", "covers-off" -> {
                inside("covers are opened");
                count(step);
                coversOff = true;
            }
            case "screws-in", "covers-on" -> {
                wanted(coversOff, Harm.IMPOSSIBLE, "no cover is off");
                wanted(!cloth, Harm.BROKEN, "a cloth is shut in");
                same(step);
                coversOff = false;
            }
            case "towel-out" -> {
                same(step);
                towels = false;
                laid = false;
            }
            case "bags-out" -> {
                inside("bags come out");
                wanted(coversOff, Harm.IMPOSSIBLE, "the covers are on");
                capsOpen.addAll(channels(step));
            }
            case "caps-open" -> {
                inside("caps are opened");
                wanted(gloves, Harm.SPILT, "bare hands");
                capsOpen.addAll(channels(step));
            }
            case "caps-shut" -> capsOpen.removeAll(channels(step));
            case "tubes-off" -> {
                inside("tubes come off");
                wanted(coversOff, Harm.IMPOSSIBLE, "the covers are on");
                wanted(gloves, Harm.SPILT, "bare hands");
                wanted(capsOpen.containsAll(channels(step)), Harm.SPILT, "a shut cap: it runs when it is opened");
                tubesOff.addAll(channels(step));
            }
            case "reconnect", "join" -> {
                wanted(coversOff || !docked, Harm.IMPOSSIBLE, "the covers are on");
                tubesOff.clear();
            }
            case "lines-off" -> {
                inside("lines come off");
                wanted(coversOff, Harm.IMPOSSIBLE, "the covers are on");
                tubesOff.addAll(after.codes());
                capsOpen.clear();
                valveShut = false;
                plugged.clear();
            }
            case "bar-left", "bar-right" -> {
                inside("the bar is freed");
                barUp = true;
                barLoose = true;
            }
            case "bar-flat", "bar-back" -> {
                wanted(!cord, Harm.UNSAFE, "the carriage is pushed under power");
                wanted(!docked, Harm.BROKEN, "the carriage is locked");
                barUp = false;
            }
            case "rollers-off" -> {
                wanted(!barUp, Harm.BROKEN, "the bar stands up");
                barLoose = false;
            }
            case "waste-off" -> {
                inside("the waste line comes off");
                wasteOpen = true;
            }
            case "tubes-out" -> wasteOpen = true;
            case "waste-bottle", "tubes-in", "tubes-back" -> wasteOpen = false;
            case "head-drain", "head-out", "out" -> {
                inside("the head is worked on");
                count(step);
                if (!id.equals("head-drain")) {
                    headOut = true;
                    cableOut = !before.headsByUser();
                }
            }
            case "head-in", "in" -> {
                wanted(headOut, Harm.IMPOSSIBLE, "the head is in");
                headOut = false;
                cableOut = false;
            }
            case "head-screws" -> same(step);
            case "heads" -> headOut = false;
            case "new-parts", "damper" -> {
                inside("parts are changed");
                wanted(coversOff, Harm.IMPOSSIBLE, "the covers are on");
            }
            case "change-menu", "top-menu" -> {
                wanted(on, Harm.IMPOSSIBLE, "it has no power, and no menu");
                docked = false;
            }
            case "old-out", "bulk-out", "bulk-off", "off-inlet" -> {
                towels |= laid;
                wanted(
                        stopped || before.architecture() != Architecture.BULK || id.equals("off-inlet"),
                        Harm.SPILT,
                        "nothing keeps the ink from running");
                wanted(!docked || !cord, Harm.UNREACHABLE, "nobody reaches the cartridges");
                wanted(gloves, Harm.SPILT, "bare hands");
                cartridgesOut = true;
            }
            case "click-in", "makers-in" -> {
                wanted(!docked, Harm.UNREACHABLE, "the carriage is parked: nobody reaches its slots");
                wanted(gloves, Harm.SPILT, "bare hands");
                cartridgesOut = false;
                clicked = true;
            }
            case "hang" -> {
                inside("cartridges are hung");
                wanted(!docked, Harm.UNREACHABLE, "the carriage is parked: nobody reaches its slots");
                wanted(stopped, Harm.SPILT, "nothing keeps the ink from running");
                cartridgesOut = false;
            }
            case "on-inlet", "starters-in" -> cartridgesOut = false;
            case "lid-down", "top-parked" -> {
                if (step.ask() instanceof Ask.Tally) {
                    same(step);
                    towels = false;
                    laid = false;
                }
                wanted(!towels, Harm.BROKEN, "towels lie inside");
                wanted(!cartridgesOut, Harm.AIR, "it parks without cartridges");
                wanted(clicked || refitted || !id.equals("lid-down"), Harm.AIR, "no cartridge has clicked");
                wanted(on, Harm.IMPOSSIBLE, "it parks under power alone");
                docked = true;
            }
            case "shut", "back-shut" -> {
                if (step.ask() instanceof Ask.Grid) { // of a bulk feed; of inlets it means that they are covered
                    var done = (step.title() + items(step)).toLowerCase(Locale.ROOT);
                    valveShut |= done.contains("valve");
                    stopped = true;
                    if (done.contains("plug")) {
                        plugged.addAll(after.codes());
                    }
                }
            }
            case "vents-open", "vents-free" -> {
                valveShut = false;
                stopped = false;
                plugged.clear();
            }
            case "soak", "towel-in" -> inside("something is laid under the head");
            case "work" -> { // a routine: its own caution says whether hands go in
                if (step.cautions().contains(Caution.ELECTRICITY)
                        || step.cautions().contains(Caution.SQUIRT)) {
                    inside(step.title());
                }
            }
            case "pad-out" -> {}
            case "rail",
                    "strip",
                    "wheel",
                    "sensor",
                    "belt",
                    "cloth",
                    "threads",
                    "points",
                    "wet",
                    "screws",
                    "open",
                    "joint",
                    "swap",
                    "swap-back",
                    "clear" -> inside("hands work in it");
            case "blot", "wipe", "flush", "push", "inlet", "cartridge" -> inside("hands work at the head");
            default -> {
                if (!LOOKS.contains(id) && step.move() instanceof Move.Nothing && !LOOKS.contains(stem(id))) {
                    fault(Harm.UNKNOWN, "what does “%s” mean for the hands?".formatted(step.title()));
                }
            }
        }
    }

    private static String stem(String id) {
        return id.replaceAll("-(\\d+|[A-Z]{1,2}\\d?)$", "");
    }

    /** Tick by tick, in their order. */
    private void freed(Step step) {
        for (var tick : ((Ask.Ticks) step.ask()).items()) {
            if (tick.startsWith("cord out")) {
                cord = false;
                on = false;
            } else if (tick.contains("menu")
                    || tick.contains("printing")
                    || tick.contains("cleaning started")
                    || tick.contains("on again")
                    || tick.contains("arrow")) {
                wanted(on, Harm.IMPOSSIBLE, "it has no power: nothing happens at “%s”".formatted(tick));
            } else if (tick.contains("carriage slides") || tick.contains("is drawn out")) {
                wanted(!cord, Harm.UNSAFE, "a hand goes in under power");
            } else if (tick.contains("free and still")) {
                docked = false;
            }
        }
        wanted(!taped, Harm.BROKEN, "tape and foam hold the carriage");
    }

    private void inside(String what) {
        towels |= laid;
        wanted(!cord, Harm.UNSAFE, what + " under power");
        wanted(gloves || before.codes().isEmpty(), Harm.SPILT, what + " with bare hands");
    }

    private void powerOn() {
        wanted(!cloth, Harm.BROKEN, "a cloth lies under the head");
        wanted(!towels, Harm.BROKEN, "towels lie inside");
        wanted(!coversOff, Harm.UNSAFE, "the covers are off");
        wanted(!taped, Harm.BROKEN, "tape and foam are in it");
        wanted(tubesOff.isEmpty(), Harm.SPILT, "tubes are off");
        wanted(!headOut, Harm.BROKEN, "the head is out");
        wanted(!cableOut, Harm.BROKEN, "the head’s cable is out");
        wanted(!barUp && !barLoose, Harm.BROKEN, "a loose bar lies in its way");
        wanted(!valveShut, Harm.AIR, "the valve is shut");
        wanted(plugged.isEmpty(), Harm.AIR, "a vent is plugged");
        wanted(!wasteOpen, Harm.SPILT, "the waste line hangs open");
        cord = true;
        on = true;
        docked = true;
    }

    private void count(Step step) {
        if (step.ask() instanceof Ask.Tally(var _, var parts, var against) && against == null) {
            counted.put(step.id(), parts);
        }
    }

    /** As many back as came out, by the same kinds. */
    private void same(Step step) {
        if (step.ask() instanceof Ask.Tally(var _, var parts, var against) && against != null) {
            wanted(
                    counted.containsKey(against) && Set.copyOf(parts).equals(Set.copyOf(counted.get(against))),
                    Harm.UNKNOWABLE,
                    "what is counted back was not counted at “%s”".formatted(against));
        }
    }

    private static Collection<ChannelCode> channels(Step step) {
        return switch (step.ask()) {
            case Ask.Grid grid -> grid.channels();
            case Ask.InOrder order -> order.channels();
            default -> List.of();
        };
    }

    // ---- what flows ------------------------------------------------------------------------------------------------

    private void flow(Step step) {
        switch (step.move()) {
            case Move.Draw(var reach) -> volumes(step).forEach((code, doses) -> drawn(code, reach, doses));
            case Move.DrawBack(var reach) -> volumes(step).forEach((code, doses) -> drawn(code, reach, doses));
            case Move.Rinse(var reach, var _) -> volumes(step).forEach((code, doses) -> rinsed(code, reach, doses));
            case Move.Pour _, Move.PourFluid _ -> volumes(step).forEach((code, doses) -> poured(code, doses));
            case Move.PourOnTray _ -> volumes(step).forEach((code, doses) -> onTray(code, doses));
            case Move.Refit(var slots) -> {
                refitted = true;
                slots.forEach(s -> exchanged(s));
            }
            case Move.Charge(var channels, var loss) -> channels.forEach(code -> charged(code, loss));
            case Move.Supplied(var channels) ->
                channels.forEach(code -> now().channel(code).path().stream()
                        .limit(1)
                        .forEach(v -> set(code, v.kind(), v.capacity().mL())));
            case Move.Prime(var channels, var reach) -> channels.forEach(code -> throughout(code, reach));
            case Move.PrimeOnTray(var channels) ->
                channels.forEach(code -> throughout(code, List.of(VesselKind.TUBE, VesselKind.CARTRIDGE)));
            case Move.Clean _ -> wanted(on, Harm.IMPOSSIBLE, "it has no power to clean with");
            case Move.Print _ -> wanted(on, Harm.IMPOSSIBLE, "it has no power to print with");
            case Move.Reading _ -> read(volumes(step).keySet());
            case Move.Nothing _, Move.Spoil _, Move.DrawOnTray _ -> {}
        }
    }

    /** The machine as it is now, old parts or new. */
    private Profile now() {
        return refitted ? after : before;
    }

    private static Map<ChannelCode, List<Double>> volumes(Step step) {
        var found = new HashMap<ChannelCode, List<Double>>();
        if (step.ask() instanceof Ask.Grid(var channels, var columns)) {
            for (var column : columns) {
                for (int row = 0; row < channels.size(); row++) {
                    if (column.kind() == Ask.ColumnKind.VOLUME
                            && !column.expected().get(row).isZero()) {
                        found.computeIfAbsent(channels.get(row), _ -> new ArrayList<>())
                                .add(column.expected().get(row).mL());
                    }
                }
            }
        }
        return found;
    }

    private double in(ChannelCode code, VesselKind kind) {
        return held.getOrDefault(code, Map.of()).getOrDefault(kind, 0.0);
    }

    private void set(ChannelCode code, VesselKind kind, double mL) {
        held.computeIfAbsent(code, _ -> new EnumMap<>(VesselKind.class)).put(kind, mL);
    }

    private List<Vessel> reached(ChannelCode code, List<VesselKind> reach) {
        return now().codes().contains(code)
                ? now().channel(code).path().stream()
                        .filter(v -> reach.contains(v.kind()))
                        .toList()
                : List.of();
    }

    private void drawn(ChannelCode code, List<VesselKind> reach, List<Double> doses) {
        double asked = doses.stream().mapToDouble(d -> d).sum();
        double there = reached(code, reach).stream()
                .mapToDouble(v -> in(code, v.kind()))
                .sum();
        if (asked > there + FEEL) {
            fault(Harm.IMPOSSIBLE, "%.1f mL of %s are drawn, and %.1f are there".formatted(asked, code, there));
        }
        double left = asked;
        for (var vessel : reached(code, reach)) {
            double take = Math.min(left, in(code, vessel.kind()));
            set(code, vessel.kind(), in(code, vessel.kind()) - take);
            left -= take;
        }
    }

    private void rinsed(ChannelCode code, List<VesselKind> reach, List<Double> doses) {
        double room = reached(code, reach).stream()
                .mapToDouble(v -> v.capacity().mL() - in(code, v.kind()))
                .sum();
        boolean through = reach.equals(List.of(VesselKind.TUBE))
                || reach.equals(List.of(VesselKind.HEAD)) && cartridgesOut; // it runs on, below
        for (double dose : doses) {
            if (!through && dose > room + 0.05) {
                fault(Harm.OVERFILLED, "a dose of %.1f mL for %s, into %.1f".formatted(dose, code, room));
            }
        }
    }

    private void poured(ChannelCode code, List<Double> doses) {
        var built = !refitted && before.architecture() != after.architecture(); // new parts, filled on the bench
        var tank = (built ? after : now()).channel(code).first();
        wanted(!tubesOff.contains(code), Harm.SPILT, "the tube of %s is off".formatted(code));
        wanted(gloves, Harm.SPILT, "bare hands");
        wanted(
                tank.kind() != VesselKind.CARTRIDGE || !docked || cartridgesOut,
                Harm.UNREACHABLE,
                "nobody reaches the fill hole of %s in a parked carriage".formatted(code));
        double all = doses.stream().mapToDouble(d -> d).sum();
        if (built) {
            lay(code, tank.kind(), all);
        } else {
            set(code, tank.kind(), in(code, tank.kind()) + all);
        }
        double over = (built ? laid(code, tank.kind()) : in(code, tank.kind()))
                - tank.capacity().mL();
        wanted(over <= FEEL, Harm.OVERFILLED, "%.1f mL of %s run over".formatted(over, code));
    }

    private void onTray(ChannelCode code, List<Double> doses) {
        double all = doses.stream().mapToDouble(d -> d).sum();
        double room = after.channel(code).path().stream()
                .filter(v -> v.kind() == VesselKind.CARTRIDGE || v.kind() == VesselKind.TANK)
                .mapToDouble(v -> v.capacity().mL())
                .max()
                .orElse(0);
        wanted(all <= room + 0.05, Harm.OVERFILLED, "%.1f mL of %s into %.1f".formatted(all, code, room));
        lay(code, after.channel(code).first().kind(), all);
    }

    private double laid(ChannelCode code, VesselKind kind) {
        return onBench.getOrDefault(code, Map.of()).getOrDefault(kind, 0.0);
    }

    private void lay(ChannelCode code, VesselKind kind, double mL) {
        onBench.computeIfAbsent(code, _ -> new EnumMap<>(VesselKind.class)).merge(kind, mL, Double::sum);
    }

    private void exchanged(Move.Slot slot) {
        var old = held.getOrDefault(slot.before(), Map.of());
        var now = new EnumMap<VesselKind, Double>(VesselKind.class);
        for (var vessel : after.channel(slot.after()).path()) {
            boolean renewed = slot.renewed().contains(vessel.kind());
            now.put(vessel.kind(), renewed ? laid(slot.after(), vessel.kind()) : old.getOrDefault(vessel.kind(), 0.0));
        }
        held.put(slot.after(), now);
    }

    private void charged(ChannelCode code, Millilitres loss) {
        wanted(on, Harm.IMPOSSIBLE, "it has no power to charge with");
        wanted(docked, Harm.DRIED, "the head is not on its dock");
        wanted(!capsOpen.contains(code), Harm.SPILT, "the cap of %s is open".formatted(code));
        var path = now().channel(code).path();
        double room = path.stream()
                .skip(1)
                .mapToDouble(v -> v.capacity().mL() - in(code, v.kind()))
                .sum();
        double first = in(code, path.getFirst().kind());
        wanted(
                first >= loss.mL() + room - FEEL,
                Harm.AIR,
                "%.1f mL of %s are there, its path takes %.1f and the charge %.1f"
                        .formatted(first, code, room, loss.mL()));
        throughout(code, List.of(VesselKind.values()));
        set(code, path.getFirst().kind(), Math.max(0, in(code, path.getFirst().kind()) - loss.mL()));
    }

    private void throughout(ChannelCode code, List<VesselKind> reach) {
        var path = now().codes().contains(code)
                ? now().channel(code).path()
                : after.channel(code).path();
        for (var vessel : path.subList(1, path.size())) {
            double room = reach.contains(vessel.kind()) ? vessel.capacity().mL() - in(code, vessel.kind()) : 0;
            double take = Math.min(room, in(code, path.getFirst().kind()));
            set(code, vessel.kind(), in(code, vessel.kind()) + take);
            set(code, path.getFirst().kind(), in(code, path.getFirst().kind()) - take);
        }
    }

    private void read(Set<ChannelCode> channels) {
        for (var code : channels) {
            wanted(
                    now().channel(code).first().kind() != VesselKind.CARTRIDGE,
                    Harm.UNKNOWABLE,
                    "no level shows in the cartridge of %s".formatted(code));
        }
    }
}
