package fairkettle.server.demo;

import fairkettle.check.Work;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Evidence;
import fairkettle.ink.BottleKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Chips;
import fairkettle.machine.Fact;
import fairkettle.machine.Feed;
import fairkettle.machine.Supply;
import fairkettle.machine.WhiteLook;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Facet;
import fairkettle.routine.Air;
import fairkettle.routine.Driver;
import fairkettle.routine.Routine;
import fairkettle.routine.Upkeep;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Defects;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.NewMachine;
import fairkettle.server.benches.Passports;
import fairkettle.server.cards.CardService;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.climate.Room;
import fairkettle.server.clinic.ClinicService;
import fairkettle.server.clinic.Ending;
import fairkettle.server.hob.Hob;
import fairkettle.server.journal.Journal;
import fairkettle.server.keys.Vault;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.People;
import fairkettle.server.people.Who;
import fairkettle.server.promises.Promises;
import fairkettle.server.refills.Refills;
import fairkettle.server.routines.LineLooks;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Shelf.NewLot;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Presets;
import fairkettle.server.shop.Shop;
import fairkettle.server.shop.ShopSettings;
import fairkettle.server.spares.Spares;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Quillmere Rosettes, a made-up shop in a made-up market town: show rosettes and sashes, club kit, biscuit toppers.
 * Filled once, through the same services that people use; everything in it is invented.
 */
@Component
@Order(10) // after the vault is open
@ConditionalOnProperty("kettle.demo")
class DemoShop implements ApplicationRunner {

    private static final int DAYS = 8;

    private final Shop shop;
    private final People people;
    private final Machines machines;
    private final Checks checks;
    private final Shelf shelf;
    private final Supplies supplies;
    private final WasteBottles waste;
    private final Refills refills;
    private final Passports passports;
    private final Owed owed;
    private final Promises promises;
    private final Presets presets;
    private final Vault vault;
    private final Room room;
    private final CardService cards;
    private final DemoHands hands;
    private final Hob hob;
    private final Journal journal;
    private final ClinicService clinic;
    private final Spares spares;
    private final Defects defects;
    private final LineLooks looks;
    private final Who who;
    private final Clock clock;
    private final TransactionTemplate transaction;

    DemoShop(
            Shop shop,
            People people,
            Machines machines,
            Checks checks,
            Shelf shelf,
            Supplies supplies,
            WasteBottles waste,
            Refills refills,
            Passports passports,
            Owed owed,
            Promises promises,
            Presets presets,
            Vault vault,
            Room room,
            CardService cards,
            DemoHands hands,
            Hob hob,
            Journal journal,
            ClinicService clinic,
            Spares spares,
            Defects defects,
            LineLooks looks,
            Who who,
            Clock clock,
            TransactionTemplate transaction) {
        this.shop = shop;
        this.people = people;
        this.machines = machines;
        this.checks = checks;
        this.shelf = shelf;
        this.supplies = supplies;
        this.waste = waste;
        this.refills = refills;
        this.passports = passports;
        this.owed = owed;
        this.promises = promises;
        this.presets = presets;
        this.vault = vault;
        this.room = room;
        this.cards = cards;
        this.hands = hands;
        this.hob = hob;
        this.journal = journal;
        this.clinic = clinic;
        this.spares = spares;
        this.defects = defects;
        this.looks = looks;
        this.who = who;
        this.clock = clock;
        this.transaction = transaction;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        transaction.executeWithoutResult(_ -> {
            if (shop.kept().version() == 0) { // why: what was entered in the demo stays when it is started again
                fill();
            }
        });
    }

    private void fill() {
        shop.save(settings(), 0);
        var wren = people.add("Wren");
        var tansy = people.add("Tansy");
        people.add("Alder");
        who.acting(tansy.id(), this::benches);
        who.acting(
                wren.id(),
                () -> halfDone(machines.all().stream()
                        .filter(m -> m.name().equals("Juniper"))
                        .findFirst()
                        .orElseThrow()
                        .id()));
    }

    private void benches() {
        bottles();
        var dye = new Holding.Inked(Family.MAKERS_DYE, "own", false);
        var sublimation = new Holding.Inked(Family.SUBLIMATION, "own", false);
        long bramble = add("Bramble", "Window bench", "wide-tank", sublimation, 0.62);
        long teasel = add("Teasel", "Window bench", "film-rebuilt", new Holding.Inked(Family.FILM, "own", false), 0.55);
        long sorrel = add("Sorrel", "Window bench", "six-ink-tank", sublimation, 0.41);
        long clover = add("Clover", "Window bench", "snap-in-head", new Holding.Inked(Family.EDIBLE, "own", true), 0.5);
        long juniper = add("Juniper", "Back bench", "wide-tank", dye, 0.66);
        long thistle = add("Thistle", "Back bench", "small-tank", dye, 0.71);
        add("Hazel", "Back bench", "small-tank", Holding.neverInked(), 0);
        long bryony = machines.add(new NewMachine(
                "Bryony",
                "Back bench",
                "wide-cartridge-four",
                Feed.BULK,
                Chips.IGNORED,
                sublimation,
                0.5,
                clock.instant().minus(Duration.ofDays(DAYS + 12))));
        add("Mallow", "Back bench", "small-cartridge", new Holding.Parked(Family.SUBLIMATION, "own", false), 0.9);
        past(bramble, Map.of("M", new int[] {41, 42, 120}), 3);
        past(teasel, Map.of("W1", new int[] {8, 31}, "W2", new int[] {60}), 20);
        past(sorrel, Map.of(), 5);
        past(clover, Map.of("M", new int[] {11}), 2);
        past(juniper, Map.of(), 26);
        past(thistle, Map.of(), 9);
        levels(bramble, 66, 51, 30, 58);
        levels(teasel, 66, 57, 55, 72, 46, 49);
        levels(sorrel, 52, 48, 44, 14, 39, 33);
        levels(clover, 35, 31, 43, 40);
        levels(juniper, 71, 40, 55, 62);
        levels(thistle, 47, 39, 33, 42);
        past(bryony, Map.of("Y", new int[] {77}), 7);
        levels(bryony, 88, 61, 64, 47);
        papers(bryony);
        refills(bramble);
        words(bramble, teasel, sorrel);
        promises.add(clover, "60 toppers for the bakery", clock.instant().plus(Duration.ofHours(4)), 45);
        air();
        upkeep();
        ill(teasel, thistle);
        spares(teasel, sorrel);
        hob.put(teasel, "rest after power cleaning", Duration.ofMinutes(401));
        hob.put(null, "press warming up", Duration.ofMinutes(12));
    }

    /** What was saved, what is broken, what Teasel’s white line looks like. */
    private void spares(long teasel, long sorrel) {
        spares.add(
                "spring clip of the roller bar",
                "wide tank machines",
                1,
                "a machine that was given up in spring",
                true);
        spares.add("wiper blade", "film machines", 2, "bought", false);
        spares.add("flat cable of the head", "small tank machines", 1, "a machine that was given up in spring", false);
        defects.add(
                sorrel,
                Facet.COVERS,
                "the left clip of its rear cover is gone",
                "The cover holds by the right one: press it home with the flat hand, never by its corner.");
        looks.keep(teasel, ChannelCode.of("W1"), WhiteLook.Place.LINE, WhiteLook.Seen.FILM, null);
        looks.keep(teasel, ChannelCode.of("W2"), WhiteLook.Place.LINE, WhiteLook.Seen.CLEAR, null);
    }

    /** Teasel's white fades, and nobody knows yet why; Thistle was cured of a closed vent last week. */
    private void ill(long teasel, long thistle) {
        long closed = clinic.open(List.of(thistle), Set.of(Complaint.FADES), Work.SOLID, "yellow pale at the foot")
                .getFirst();
        clinic.say(closed, new Evidence.Simple(Set.of(ChannelCode.of("Y"))));
        checks.enter(machines.get(thistle), whole(thistle), null);
        clinic.say(closed, page(thistle, Map.of()));
        clinic.end(closed, Ending.CURED, "its vent was stuck over");
        long open = clinic.open(
                        List.of(teasel), Set.of(Complaint.FADES), Work.WHITE, "white thin towards the end of a shirt")
                .getFirst();
        clinic.say(open, new Evidence.Simple(Set.of()));
        var standing = whole(teasel);
        standing.put("W1", List.of(8, 31));
        standing.put("W2", List.of(60));
        checks.enter(machines.get(teasel), standing, null);
        clinic.say(open, page(teasel, Map.of("W1", .58)));
    }

    private Map<String, List<Integer>> whole(long machine) {
        return machines.get(machine).profile().codes().stream()
                .collect(Collectors.toMap(ChannelCode::code, _ -> List.of(), (a, _) -> a, HashMap::new));
    }

    private Evidence.Page page(long machine, Map<String, Double> fades) {
        return new Evidence.Page(machines.get(machine).profile().codes().stream()
                .collect(Collectors.toMap(
                        c -> c, c -> new Evidence.Seen(fades.getOrDefault(c.code(), .03), false, false))));
    }

    /** Done at some time or other: most of it not long ago, a few things just about due. */
    private void upkeep() {
        var random = new Random(11);
        for (var machine : machines.all()) {
            UpkeepBook.family(machine)
                    .ifPresent(family -> new Upkeep(machine.profile(), family)
                            .keys()
                            .forEach((key, routine) -> {
                                double days = routine.drives().stream()
                                        .filter(d -> d.driver() == Driver.CLOCK || d.driver() == Driver.IDLE)
                                        .mapToDouble(Routine.Drive::base)
                                        .min()
                                        .orElse(1);
                                double ago = Math.min(DAYS + 11, days * (0.1 + 0.75 * random.nextDouble()));
                                boolean due = random.nextInt(9) == 0 && routine.weight() < 9;
                                var at = clock.instant()
                                        .minus(Duration.ofMinutes(
                                                Math.round((due ? Math.min(DAYS + 11, days * 1.05) : ago) * 24 * 60)));
                                if (!routine.id().equals("check")) {
                                    var channel = key.channel();
                                    journal.write(
                                            NewEntry.of(
                                                            "upkeep",
                                                            "%s: %s%s"
                                                                    .formatted(
                                                                            machine.name(),
                                                                            routine.title(),
                                                                            channel == null ? "" : ", " + channel))
                                                    .machine(machine.id())
                                                    .about(
                                                            channel == null
                                                                    ? routine.id()
                                                                    : routine.id() + "/" + channel.code(),
                                                            1)
                                                    .at(at),
                                            List.of(),
                                            List.of(new Consequence.RoutineDone(routine.id(), channel)));
                                }
                            }));
        }
    }

    /** Two weeks of a heated room in winter, read morning and afternoon; a dry spell in its middle. */
    private void air() {
        var random = new Random(7);
        for (int half = 28; half >= 1; half--) {
            boolean spell = half > 10 && half < 17;
            room.enter(new Air(
                    clock.instant().minus(Duration.ofHours(12L * half)),
                    Math.round(10 * (20 + (half % 2 == 0 ? 0 : 2) + (spell ? 4 : 0) + random.nextGaussian())) / 10.0,
                    Math.round(45 - (spell ? 16 : 0) + 3 * random.nextGaussian())));
        }
    }

    private static ShopSettings settings() {
        var nine = LocalTime.of(9, 0);
        var five = LocalTime.of(17, 0);
        var week = Stream.of(
                        DayOfWeek.MONDAY,
                        DayOfWeek.TUESDAY,
                        DayOfWeek.WEDNESDAY,
                        DayOfWeek.THURSDAY,
                        DayOfWeek.FRIDAY,
                        DayOfWeek.SATURDAY)
                .map(day -> new ShopSettings.OpenDay(day, nine, day == DayOfWeek.SATURDAY ? LocalTime.of(13, 0) : five))
                .toList();
        var usual = ShopSettings.usual();
        return new ShopSettings(
                "Quillmere Rosettes",
                "GBP",
                "Europe/London",
                "mL",
                "mm",
                1600,
                250,
                2400,
                usual.syringes(),
                usual.inkBottles(),
                usual.fluidBottles(),
                usual.fluidTarget(),
                usual.reserve(),
                usual.maxRinses(),
                usual.minutesPerPull(),
                usual.minutesPerRinse(),
                week,
                List.of(LocalDate.of(2026, 12, 25), LocalDate.of(2026, 12, 26), LocalDate.of(2027, 1, 1)),
                Map.of(),
                "The household recycling yard takes it on Saturdays, capped and labelled.",
                usual.comparison(),
                null,
                null,
                null,
                null);
    }

    private void bottles() {
        var today = LocalDate.now(clock);
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.SUBLIMATION, code, "SUB-4471" + code, "250", 2500, false, today.plusMonths(10));
        }
        bottle(Family.SUBLIMATION, "LC", "SUB-4390LC", "100", 1200, false, today.plusMonths(7));
        bottle(Family.SUBLIMATION, "LM", "SUB-4390LM", "100", 1200, false, today.plusMonths(7));
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.MAKERS_DYE, code, "DYE-07" + code, "100", 900, false, today.plusMonths(14));
        }
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.EDIBLE, code, "EDI-2210" + code, "100", 1600, true, today.plusDays(17));
        }
        bottle(Family.FILM, "W1", "FLM-W88", "500", 3900, false, today.plusMonths(4));
        bottle(Family.SUBLIMATION, null, "FLU-S12", "250", 900, false, null);
        bottle(Family.FILM, null, "FLU-F03", "1000", 2600, false, null);
    }

    private void bottle(
            Family family,
            @Nullable String channel,
            String code,
            String volume,
            long price,
            boolean food,
            @Nullable LocalDate best) {
        shelf.add(new NewLot(
                family,
                channel,
                "own",
                code,
                Millilitres.parse(volume),
                price,
                food,
                best,
                null,
                channel == null ? null : BottleKind.NOZZLE));
    }

    private long add(String name, String bench, String profile, Holding holding, double tank) {
        return machines.add(new NewMachine(
                name,
                bench,
                profile,
                Feed.AS_BUILT,
                null,
                holding,
                tank,
                clock.instant().minus(Duration.ofDays(DAYS + 12))));
    }

    /** Bramble prints every day: her cyan goes fastest. */
    private void refills(long bramble) {
        for (int daysAgo : List.of(17, 11, 5)) {
            for (var poured : Map.of(
                            "C", daysAgo == 17 ? "9" : daysAgo == 11 ? "7" : "12", "M", daysAgo == 11 ? "8" : "6")
                    .entrySet()) {
                long lot = shelf.lots().stream()
                        .filter(l -> l.code().equals("SUB-4471" + poured.getKey()))
                        .findFirst()
                        .orElseThrow()
                        .id();
                refills.pour(
                        bramble,
                        new Refills.NewRefill(
                                ChannelCode.of(poured.getKey()),
                                lot,
                                Millilitres.parse(poured.getValue()),
                                false,
                                false,
                                null),
                        clock.instant().minus(Duration.ofDays(daysAgo)));
            }
        }
    }

    /** What somebody wrote down, owes and promised. */
    private void words(long bramble, long teasel, long sorrel) {
        passports.write(bramble, Fact.REGISTERED, "3 November, receipt in the tin");
        passports.write(bramble, Fact.DRIVER, "driver alone, the extras were never used");
        passports.write(bramble, Fact.CONNECTION, "network; the cable lies behind it");
        passports.write(teasel, Fact.PROTECTED, "printed cover: the cable’s entry stays open");
        passports.write(teasel, Fact.BROKEN, "front tray; film is led over the bracket");
        owed.add(
                teasel,
                new Owed.NewTask(
                        fairkettle.procedure.Owing.OWN,
                        "Look at the outside waste bottle",
                        "Joint wrapped and dry, bottle vented, level, lower than the outlet.",
                        0,
                        30));
        owed.add(
                sorrel,
                new Owed.NewTask(
                        fairkettle.procedure.Owing.OWN,
                        "Align the head",
                        "It was aligned on a check with gaps: that is provisional.",
                        4,
                        null));
        promises.add(sorrel, "24 sashes for the spring show", clock.instant().plus(Duration.ofHours(30)), 120);
        presets.keep(new Presets.Preset(
                0, "Sash, 10 cm satin", Family.SUBLIMATION, "transfer paper, A4", "matt, best", true, 190, 45));
        presets.keep(new Presets.Preset(
                0, "Club shirt, chest", Family.FILM, "film, 33 cm roll", "white under colour", false, 150, 12));
    }

    /** Bryony's firmware ignores chips, and she earns little: the season of sashes is over. */
    private void papers(long bryony) {
        machines.papers(
                bryony,
                new Machines.Papers("BB-2204", "Sticks in the cold; warm the room first.", "K4.1 patched", true, 80L),
                0);
        if (vault.health().problem() == null) {
            vault.store(bryony, "Bryony", "QM-7731-KETTLE-042", "a made-up seller, program 1.4, on the shop’s stick");
        }
        Map.of(
                        Supply.SYRINGE,
                        6,
                        Supply.NEEDLE,
                        8,
                        Supply.ADAPTER,
                        4,
                        Supply.GLOVES,
                        12,
                        Supply.TOWELS,
                        20,
                        Supply.PAPER,
                        300,
                        Supply.CLOTH_AND_TRAY,
                        2,
                        Supply.SCREWDRIVER,
                        1,
                        Supply.DAMPER,
                        2,
                        Supply.TRANSFER_PAPER,
                        40)
                .forEach((what, count) -> supplies.count(what, count, null));
        supplies.count(Supply.EYE_PROTECTION, 2, null);
        waste.open(
                "Back bench, autumn",
                WasteBottles.LIQUID,
                Millilitres.parse("2000"),
                LocalDate.now(clock).minusDays(40));
    }

    /** Inks are never used up evenly. */
    private void levels(long id, int... millilitres) {
        var codes = machines.get(id).profile().codes();
        for (int i = 0; i < millilitres.length; i++) {
            machines.read(id, codes.get(i), new Millilitres(millilitres[i] * 1000L));
        }
    }

    /** A week of looking: gaps that stand in the last days, and now and then one that was air. */
    private void past(long id, Map<String, int[]> standing, int hoursAgo) {
        var machine = machines.get(id);
        var random = new Random(id);
        for (int day = DAYS - 1; day >= 0; day--) {
            var missing = new HashMap<String, List<Integer>>();
            for (var channel : machine.profile().channels()) {
                var teeth = new ArrayList<Integer>();
                if (day < 4) {
                    for (int tooth : standing.getOrDefault(channel.code().code(), new int[0])) {
                        teeth.add(Math.min(tooth, channel.nozzles() - 1));
                    }
                }
                if (random.nextInt(9) == 0) {
                    teeth.add(random.nextInt(channel.nozzles()));
                }
                missing.put(channel.code().code(), day == 0 && standing.isEmpty() ? List.of() : teeth);
            }
            var when = clock.instant().minus(Duration.ofHours(24L * day + hoursAgo));
            if (day % 3 == 2) {
                machines.cleaned(id, day == 5, when.minus(Duration.ofMinutes(20)));
            }
            checks.enter(machine, missing, when);
        }
    }

    /** Juniper's changeover stands in the middle of its pulls. */
    private void halfDone(long juniper) {
        long card = cards.begin(Changeovers.Wish.change(juniper, Family.SUBLIMATION, "own"));
        hands.carryOut(card, "pull", 2);
    }
}
