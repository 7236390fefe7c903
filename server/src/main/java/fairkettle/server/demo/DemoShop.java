package fairkettle.server.demo;

import fairkettle.clinic.Treatment;
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
import fairkettle.procedure.Facet;
import fairkettle.procedure.Owing;
import fairkettle.safety.WasteKind;
import fairkettle.server.benches.Defects;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.NewMachine;
import fairkettle.server.benches.Passports;
import fairkettle.server.hob.Hob;
import fairkettle.server.keys.Vault;
import fairkettle.server.owed.Owed;
import fairkettle.server.people.People;
import fairkettle.server.promises.Promises;
import fairkettle.server.routines.LineLooks;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Shelf.NewLot;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Presets;
import fairkettle.server.shop.Shop;
import fairkettle.server.shop.ShopSettings;
import fairkettle.server.spares.Spares;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * Quillmere Rosettes, a made-up shop in a made-up market town: show rosettes and sashes, club kit, biscuit toppers. How
 * it stood three months ago, and what is promised now; everything in it is invented.
 */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoShop {

    private static final Duration AS_IT_WAS = Duration.ofDays(20); // a machine had stood with its ink for so long

    private final Shop shop;
    private final People people;
    private final Machines machines;
    private final Shelf shelf;
    private final Supplies supplies;
    private final WasteBottles waste;
    private final Passports passports;
    private final Owed owed;
    private final Promises promises;
    private final Presets presets;
    private final Vault vault;
    private final Hob hob;
    private final Spares spares;
    private final Defects defects;
    private final LineLooks looks;
    private final DemoSuppliers suppliers;
    private final DemoRecords records;
    private final DemoJobs jobs;
    private final DemoClock clock;

    DemoShop(
            Shop shop,
            People people,
            Machines machines,
            Shelf shelf,
            Supplies supplies,
            WasteBottles waste,
            Passports passports,
            Owed owed,
            Promises promises,
            Presets presets,
            Vault vault,
            Hob hob,
            Spares spares,
            Defects defects,
            LineLooks looks,
            DemoSuppliers suppliers,
            DemoRecords records,
            DemoJobs jobs,
            DemoClock clock) {
        this.suppliers = suppliers;
        this.records = records;
        this.jobs = jobs;
        this.shop = shop;
        this.people = people;
        this.machines = machines;
        this.shelf = shelf;
        this.supplies = supplies;
        this.waste = waste;
        this.passports = passports;
        this.owed = owed;
        this.promises = promises;
        this.presets = presets;
        this.vault = vault;
        this.hob = hob;
        this.spares = spares;
        this.defects = defects;
        this.looks = looks;
        this.clock = clock;
    }

    /** Whether nobody has entered anything yet: what was entered in the demo stays when it is started again. */
    boolean isNew() {
        return shop.kept().version() == 0;
    }

    /**
     * The shop as it opens: people, benches, machines with what is in them, a full shelf. @param behind days until
     * today
     */
    void open(int behind) {
        shop.save(settings(LocalDate.ofInstant(clock.instant(), DemoClock.ZONE)), 0);
        people.add("Wren");
        people.add("Tansy");
        people.add("Alder");
        bottles(behind);
        var dye = new Holding.Inked(Family.MAKERS_DYE, "own", false);
        var sublimation = new Holding.Inked(Family.SUBLIMATION, "own", false);
        add("Bramble", "Window bench", "wide-tank", sublimation, 0.46);
        long teasel = add("Teasel", "Window bench", "film-rebuilt", new Holding.Inked(Family.FILM, "own", false), 0.75);
        long sorrel = add("Sorrel", "Window bench", "six-ink-tank", sublimation, 0.5);
        add("Clover", "Window bench", "snap-in-head", new Holding.Inked(Family.EDIBLE, "own", true), 0.7);
        add("Juniper", "Back bench", "wide-tank", dye, 0.86);
        add("Thistle", "Back bench", "small-tank", dye, 0.81);
        add("Hazel", "Back bench", "small-tank", Holding.neverInked(), 0);
        long bryony = machines.add(new NewMachine(
                "Bryony",
                "Back bench",
                "wide-cartridge-four",
                Feed.BULK,
                Chips.IGNORED,
                sublimation,
                0.8,
                clock.instant().minus(AS_IT_WAS)));
        add("Mallow", "Back bench", "small-cartridge", new Holding.Parked(Family.SUBLIMATION, "own", false), 0.9);
        papers(bryony);
        spares(teasel, sorrel);
        presets.keep(new Presets.Preset(
                0, "Sash, 10 cm satin", Family.SUBLIMATION, "transfer paper, A4", "matt, best", true, 190, 45));
        presets.keep(new Presets.Preset(
                0, "Club shirt, chest", Family.FILM, "film, 33 cm roll", "white under colour", false, 150, 12));
    }

    /** What waits and is promised today, whatever the past weeks brought. */
    void today() {
        long bramble = machine("Bramble");
        long teasel = machine("Teasel");
        long sorrel = machine("Sorrel");
        words(bramble);
        looks.keep(teasel, ChannelCode.of("W1"), WhiteLook.Place.LINE, WhiteLook.Seen.FILM, null);
        looks.keep(teasel, ChannelCode.of("W2"), WhiteLook.Place.LINE, WhiteLook.Seen.CLEAR, null);
        owed.add(
                teasel,
                new Owed.NewTask(
                        Owing.OWN,
                        "Look at the outside waste bottle",
                        "Joint wrapped and dry, bottle vented, level, lower than the outlet.",
                        0,
                        30));
        owed.add(
                sorrel,
                new Owed.NewTask(
                        Owing.OWN,
                        "Align the head",
                        "It was aligned on a check with gaps: that is provisional.",
                        4,
                        null));
        promises.add(
                machine("Clover"), "60 toppers for the bakery", clock.instant().plus(Duration.ofHours(4)), 45);
        promises.add(sorrel, "24 sashes for the spring show", clock.instant().plus(Duration.ofHours(30)), 120);
        long bryony = machine("Bryony");
        machines.cleaned(bryony, true, null);
        hob.put(bryony, "rest after power cleaning", Treatment.POWER_CLEANING.rest());
        hob.put(null, "press warming up", Duration.ofMinutes(80));
        suppliers.fill();
        records.fill(bramble, teasel, bryony);
        jobs.fill(bramble, machine("Clover"));
    }

    private long machine(String name) {
        return machines.all().stream()
                .filter(m -> m.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** What was saved, and what is broken. */
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
        passports.write(teasel, Fact.PROTECTED, "printed cover: the cable’s entry stays open");
        passports.write(teasel, Fact.BROKEN, "front tray; film is led over the bracket");
    }

    private static ShopSettings settings(LocalDate today) {
        var nine = DemoClock.OPENS;
        var five = DemoClock.CLOSES;
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
                DemoClock.ZONE.getId(),
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
                DemoClock.holidays(today.getYear(), today.getYear() + 1),
                Map.of(),
                "The household recycling yard takes it on Saturdays, capped and labelled.",
                usual.comparison(),
                null,
                null,
                null,
                null,
                20.0,
                true,
                null,
                null,
                Map.of(
                        Family.SUBLIMATION,
                        new ShopSettings.SoldInk(
                                usual.inkBottles(), new ShopSettings.SoldPack(Millilitres.parse("100"), 4, 4400)),
                        Family.FILM,
                        new ShopSettings.SoldInk(
                                List.of(
                                        new ShopSettings.BottleSize(Millilitres.parse("250"), 2300),
                                        new ShopSettings.BottleSize(Millilitres.parse("500"), 3900)),
                                null),
                        Family.EDIBLE,
                        new ShopSettings.SoldInk(
                                List.of(new ShopSettings.BottleSize(Millilitres.parse("100"), 1600)), null)));
    }

    private void bottles(int behind) {
        var today = LocalDate.ofInstant(clock.instant(), DemoClock.ZONE);
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.SUBLIMATION, code, "SUB-4471" + code, "250", 2500, false, today.plusMonths(13));
        }
        bottle(Family.SUBLIMATION, "LC", "SUB-4390LC", "100", 1200, false, today.plusMonths(10));
        bottle(Family.SUBLIMATION, "LM", "SUB-4390LM", "100", 1200, false, today.plusMonths(10));
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.MAKERS_DYE, code, "DYE-07" + code, "100", 900, false, today.plusMonths(17));
        }
        for (var code : List.of("K", "C", "M", "Y")) {
            bottle(Family.EDIBLE, code, "EDI-2210" + code, "100", 1600, true, today.plusDays(behind + 17));
        }
        bottle(Family.FILM, "W1", "FLM-W88", "500", 3900, false, today.plusMonths(7));
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
                clock.instant().minus(AS_IT_WAS)));
    }

    private void words(long bramble) {
        passports.write(bramble, Fact.REGISTERED, "3 November, receipt in the tin");
        passports.write(bramble, Fact.DRIVER, "driver alone, the extras were never used");
        passports.write(bramble, Fact.CONNECTION, "network; the cable lies behind it");
    }

    /** Bryony's firmware ignores chips, and she earns little: the season of sashes is over. */
    private void papers(long bryony) {
        machines.papers(
                bryony,
                new Machines.Papers("BB-2204", "Sticks in the cold; warm the room first.", "K4.1 patched", true, 80L),
                0);
        if (vault.health().problem() == null) {
            vault.store(
                    bryony,
                    "Bryony",
                    "QM-7731-KETTLE-042",
                    new Vault.Belongs(
                            "LICENCE-MADE-UP-77",
                            "wide, four slots",
                            "1.4",
                            "a made-up seller",
                            "on the shop’s stick"));
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
                        1500,
                        Supply.CLOTH_AND_TRAY,
                        2,
                        Supply.SCREWDRIVER,
                        1,
                        Supply.DAMPER,
                        2,
                        Supply.TRANSFER_PAPER,
                        900)
                .forEach((what, count) -> supplies.count(what, count, null, ""));
        supplies.count(Supply.EYE_PROTECTION, 2, null, "");
        supplies.count(Supply.FILM_SHEET, 420, null, "");
        supplies.count(Supply.FOOD_SHEET, 260, null, "");
        waste.open(
                "Back bench, autumn",
                WasteKind.LIQUID,
                Millilitres.parse("2000"),
                LocalDate.ofInstant(clock.instant(), DemoClock.ZONE));
    }
}
