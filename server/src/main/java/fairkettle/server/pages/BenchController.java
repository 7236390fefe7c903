package fairkettle.server.pages;

import fairkettle.changeover.Idle;
import fairkettle.changeover.PurgeOrClean;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import fairkettle.machine.Attention;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.safety.School;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Clinic;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.cards.Cards;
import fairkettle.server.hob.Hob;
import fairkettle.server.keys.Vault;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.owed.Owed;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BenchController {

    private final Machines machines;
    private final Checks checks;
    private final Ledger ledger;
    private final Cards cards;
    private final Hob hob;
    private final Owed owed;
    private final Passports passports;
    private final Vault vault;
    private final Supplies supplies;
    private final Shop shop;
    private final Clinic clinic;
    private final UpkeepBook upkeep;
    private final Lately lately;
    private final Clock clock;

    BenchController(
            Machines machines,
            Checks checks,
            Ledger ledger,
            Cards cards,
            Hob hob,
            Owed owed,
            Passports passports,
            Vault vault,
            Supplies supplies,
            Shop shop,
            Clinic clinic,
            UpkeepBook upkeep,
            Lately lately,
            Clock clock) {
        this.machines = machines;
        this.checks = checks;
        this.ledger = ledger;
        this.cards = cards;
        this.hob = hob;
        this.owed = owed;
        this.passports = passports;
        this.vault = vault;
        this.supplies = supplies;
        this.shop = shop;
        this.clinic = clinic;
        this.upkeep = upkeep;
        this.lately = lately;
        this.clock = clock;
    }

    record BenchJson(List<String> benches, List<PlateJson> machines) {}

    /** One machine as a plate on its bench. @param idleDays since it laid ink down; null if it never did */
    record PlateJson(
            long id,
            String name,
            String bench,
            String profile,
            String architecture,
            String largestSheet,
            boolean screen,
            String family,
            List<SlotJson> channels,
            double padShare,
            Millilitres padCapacity,
            Millilitres padUsed,
            @Nullable OpenCardJson card,
            Attention attention,
            int owedNow,
            @Nullable Instant lastCheck,
            @Nullable Integer idleDays,
            @Nullable Instant signedOff,
            @Nullable Long caseId) {}

    /** @param colour beside the code, never instead */
    record SlotJson(
            String code,
            String colour,
            String holds,
            int nozzles,
            List<Integer> missing,
            @Nullable Instant checkedAt,
            List<VesselJson> path) {}

    record VesselJson(String kind, Millilitres capacity, Millilitres heel, List<LayerJson> layers) {}

    /** @param kind ink, old or fluid: ink of the family the channel is known to hold is "ink", other ink is "old" */
    record LayerJson(String kind, String label, Millilitres volume) {}

    record OpenCardJson(long id, String title, int done, int steps) {}

    /** @param key the activation code, masked; null if none is kept */
    record MachineJson(
            PlateJson plate,
            String profile,
            String feed,
            String chips,
            boolean parked,
            Machines.Papers papers,
            int version,
            @Nullable Instant warrantyEnded,
            List<Machines.Agreement> agreements,
            List<Machines.PutAside> putAside,
            Vault.@Nullable Kept key,
            Map<School, String> schools,
            IdleJson idle,
            Map<String, List<Checks.Check>> checks,
            List<Cards.Listed> cards,
            List<Owed.Task> owed,
            PurgeOrClean purgeOrClean,
            Machines.PowerCleanings powerCleanings) {}

    /** @param perDay what it costs to stand idle; @param park true if that is more than it earns */
    record IdleJson(Money perDay, String basis, @Nullable Money earns, boolean park) {}

    record NewMachineJson(
            @NotBlank(message = "Give the machine a name.") @Size(max = 40, message = "At most 40 letters.")
            String name,

            @NotBlank(message = "On which bench does it stand?") @Size(max = 40, message = "At most 40 letters.")
            String bench,

            @NotBlank(message = "Choose what it is like.") String profile,
            @Nullable Feed feed,
            @Nullable Chips chips,
            @NotNull(message = "Say what is in it.") Held holds,
            @Nullable Family family,

            @Nullable @Size(max = 60, message = "At most 60 letters.")
            String make,

            boolean foodOnly,

            @DecimalMin(value = "0", message = "0 to 100 %.") @DecimalMax(value = "1", message = "0 to 100 %.")
            double tankShare) {}

    enum Held {
        NEVER_INKED,
        INKED,
        UNKNOWN
    }

    record PapersJson(
            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String serial,

            @NotNull @Size(max = 4000, message = "At most 4000 letters.")
            String notes,

            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String firmware,

            boolean remindersOff,

            @Nullable @Min(value = 0, message = "Not below nothing.")
            Long earnsPerDay) {}

    record SchoolsJson(@NotNull Map<School, String> schools) {}

    record DescribeJson(
            @NotBlank(message = "Choose a profile.") String profile) {}

    record CheckJson(@NotNull Map<String, List<Integer>> missing) {}

    record CleaningJson(boolean power) {}

    record LevelsJson(@NotNull Map<String, Millilitres> levels) {}

    @GetMapping("/api/bench")
    BenchJson bench() {
        var waits = hob.waits();
        var open = cards.open();
        var tasks = owed.all();
        var ill = clinic.ill();
        var contents = ledger.ofMachines();
        var newest = checks.newest();
        var lastInk = upkeep.lastInk();
        return new BenchJson(
                machines.benchNames(),
                machines.all().stream()
                        .map(m -> plate(
                                m,
                                contents,
                                newest.getOrDefault(m.id(), Map.of()),
                                waits,
                                open,
                                tasks.getOrDefault(m.id(), List.of()),
                                ill.get(m.id()),
                                lastInk.get(m.id())))
                        .toList());
    }

    @PostMapping("/api/machines")
    @ResponseStatus(HttpStatus.CREATED)
    MachineJson addMachine(@Valid @RequestBody NewMachineJson machine) {
        var holding = switch (machine.holds()) {
            case NEVER_INKED -> Holding.neverInked();
            case UNKNOWN -> new Holding.Unknown();
            case INKED ->
                new Holding.Inked(
                        Optional.ofNullable(machine.family())
                                .orElseThrow(() -> Problem.atField("family", "Which ink is in it?")),
                        machine.make() == null || machine.make().isBlank()
                                ? "own"
                                : machine.make().strip(),
                        machine.foodOnly());
        };
        long id = machines.add(new Machines.NewMachine(
                machine.name(),
                machine.bench(),
                machine.profile(),
                machine.feed() == null ? Feed.AS_BUILT : machine.feed(),
                machine.chips(),
                holding,
                machine.tankShare(),
                null));
        passports.joined(id);
        return machine(id);
    }

    @GetMapping("/api/machines/{machine}")
    MachineJson machine(@PathVariable long machine) {
        var found = machines.get(machine);
        var looks = checks.latest(machine, 8);
        return new MachineJson(
                plate(
                        found,
                        ledger.ofMachineNow(machine),
                        looks.entrySet().stream()
                                .collect(Collectors.toMap(
                                        Map.Entry::getKey, e -> e.getValue().getFirst())),
                        hob.waits(),
                        cards.open(),
                        owed.of(machine),
                        clinic.ill().get(machine),
                        upkeep.lastInk().get(machine)),
                found.built().id(),
                found.fit().feed().label(),
                found.fit().chips().label(),
                found.parked(),
                found.papers(),
                found.version(),
                found.warrantyEnded(),
                machines.agreements(machine),
                machines.putAside(machine),
                vault.of(machine).orElse(null),
                found.schools(),
                idle(found),
                looks,
                cards.of(machine),
                owed.of(machine),
                PurgeOrClean.of(
                        found.profile(),
                        (int) found.holdings().values().stream()
                                .filter(h -> !(h instanceof Holding.NeverInked))
                                .count(),
                        UpkeepBook.family(found).orElse(found.profile().built()),
                        shop.settings().terms(found.schools(), supplies.prices())),
                machines.powerCleanings(machine));
    }

    /** What it did last, and its cleanings. */
    @GetMapping("/api/machines/{machine}/lately")
    Lately.LatelyJson lately(@PathVariable long machine) {
        return lately.of(machine);
    }

    private IdleJson idle(Machines.Machine machine) {
        var settings = shop.settings();
        var cost = Idle.perDay(machine.profile(), machine.holdings().values(), settings.terms());
        var earns = machine.papers().earnsPerDay() == null
                ? null
                : new Money(machine.papers().earnsPerDay(), settings.money());
        return new IdleJson(
                cost.perDay(),
                cost.basis(),
                earns,
                earns != null && cost.perDay().compareTo(earns) > 0);
    }

    @PutMapping("/api/machines/{machine}/papers")
    MachineJson savePapers(
            @PathVariable long machine, @Valid @RequestBody PapersJson papers, @RequestHeader("If-Match") int version) {
        machines.papers(
                machine,
                new Machines.Papers(
                        papers.serial(),
                        papers.notes(),
                        papers.firmware(),
                        papers.remindersOff(),
                        papers.earnsPerDay()),
                version);
        return machine(machine);
    }

    @PutMapping("/api/machines/{machine}/schools")
    MachineJson saveSchools(
            @PathVariable long machine,
            @Valid @RequestBody SchoolsJson schools,
            @RequestHeader("If-Match") int version) {
        machines.schools(machine, schools.schools(), version);
        return machine(machine);
    }

    @PutMapping("/api/machines/{machine}/profile")
    MachineJson describeMachine(@PathVariable long machine, @Valid @RequestBody DescribeJson described) {
        machines.describe(machine, described.profile());
        return machine(machine);
    }

    @PostMapping("/api/machines/{machine}/put-aside/{part}/gone")
    MachineJson putAsideGone(@PathVariable long machine, @PathVariable long part) {
        machines.gone(machine, part);
        return machine(machine);
    }

    @PostMapping("/api/machines/{machine}/checks")
    @ResponseStatus(HttpStatus.CREATED)
    MachineJson enterCheck(@PathVariable long machine, @Valid @RequestBody CheckJson check) {
        checks.enter(machines.get(machine), check.missing(), null);
        return machine(machine);
    }

    @PostMapping("/api/machines/{machine}/levels")
    @ResponseStatus(HttpStatus.CREATED)
    MachineJson readLevels(@PathVariable long machine, @Valid @RequestBody LevelsJson levels) {
        levels.levels().forEach((code, level) -> machines.read(machine, ChannelCode.of(code), level));
        return machine(machine);
    }

    @PostMapping("/api/machines/{machine}/cleanings")
    @ResponseStatus(HttpStatus.CREATED)
    MachineJson recordCleaning(@PathVariable long machine, @Valid @RequestBody CleaningJson cleaning) {
        var apart = cards.apart(machine);
        if (!apart.isEmpty()) {
            throw Problem.refused(
                    "By its open card this machine is not together: %s. Put it back first, and finish that step."
                            .formatted(String.join("; ", apart)),
                    List.of());
        }
        machines.cleaned(machine, cleaning.power(), null);
        return machine(machine);
    }

    @PostMapping("/api/machines/{machine}/pad")
    @ResponseStatus(HttpStatus.CREATED)
    MachineJson changePad(@PathVariable long machine) {
        machines.changePad(machine);
        return machine(machine);
    }

    private PlateJson plate(
            Machines.Machine machine,
            Map<Place, Mixture> contents,
            Map<String, Checks.Check> looks,
            List<Hob.Wait> waits,
            Map<Long, Cards.Open> open,
            List<Owed.Task> tasks,
            Clinic.@Nullable Ill ill,
            @Nullable LocalDate lastInk) {
        var card = open.get(machine.id());
        var profile = machine.profile();
        var channels = profile.channels().stream()
                .map(c -> channel(machine, c, contents, looks.get(c.code().code())))
                .toList();
        var pad = contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                .volume();
        var lastCheck = looks.values().stream()
                .map(Checks.Check::at)
                .max(Instant::compareTo)
                .orElse(null);
        return new PlateJson(
                machine.id(),
                machine.name(),
                machine.benchName(),
                profile.name(),
                profile.architecture().label(),
                profile.capable().largestSheet(),
                profile.handling().panel().screen(),
                machine.family(),
                channels,
                pad.mL() / profile.padCapacity().mL(),
                profile.padCapacity(),
                pad,
                card == null ? null : new OpenCardJson(card.id(), card.title(), card.done(), card.steps()),
                Attention.of(facts(machine, waits, card, contents, channels, lastCheck, pad, tasks, ill)),
                (int) tasks.stream().filter(Owed.Task::late).count(),
                lastCheck,
                lastInk == null
                        ? null
                        : (Integer) (int) ChronoUnit.DAYS.between(
                                lastInk,
                                LocalDate.ofInstant(
                                        clock.instant(), shop.settings().zoneId())),
                machine.signedOff(),
                ill == null ? null : ill.caseId());
    }

    private Attention.Facts facts(
            Machines.Machine machine,
            List<Hob.Wait> waits,
            Cards.@Nullable Open card,
            Map<Place, Mixture> contents,
            List<SlotJson> channels,
            @Nullable Instant lastCheck,
            Millilitres pad,
            List<Owed.Task> tasks,
            Clinic.@Nullable Ill ill) {
        var now = clock.instant();
        var ready = waits.stream()
                .filter(w -> java.util.Objects.equals(w.machine(), machine.id())
                        && !w.readyAt().isAfter(now))
                .map(Hob.Wait::label)
                .findFirst()
                .orElse(null);
        var levels = machine.profile().channels().stream()
                .filter(c -> !(machine.holdings().get(c.code()) instanceof Holding.NeverInked))
                .map(c -> new Attention.Level(
                        c.code(),
                        contents.getOrDefault(
                                                new Place.InPath(
                                                        machine.id(),
                                                        c.code(),
                                                        c.first().kind()),
                                                Mixture.EMPTY)
                                        .volume()
                                        .mL()
                                / c.first().capacity().mL()))
                .toList();
        return new Attention.Facts(
                ready,
                card == null ? null : card.nextStep(),
                machine.inked(),
                machine.parked(),
                levels,
                machine.refillAt(),
                lastCheck == null ? null : Duration.between(lastCheck, now),
                channels.stream().mapToInt(c -> c.missing().size()).sum(),
                pad.mL() / machine.profile().padCapacity().mL(),
                tasks.stream()
                        .filter(Owed.Task::late)
                        .findFirst()
                        .map(Owed.Task::words)
                        .orElse(null),
                ill == null ? null : ill.words());
    }

    private static SlotJson channel(
            Machines.Machine machine,
            fairkettle.machine.Channel channel,
            Map<Place, Mixture> contents,
            Checks.@Nullable Check check) {
        var holding = machine.holding(channel.code());
        var path = channel.path().stream()
                .map(v -> new VesselJson(
                        v.kind().label(),
                        v.capacity(),
                        v.heel(),
                        layers(
                                contents.getOrDefault(
                                        new Place.InPath(machine.id(), channel.code(), v.kind()), Mixture.EMPTY),
                                holding)))
                .toList();
        return new SlotJson(
                channel.code().code(),
                channel.code().colour(),
                holding.label(),
                channel.nozzles(),
                check == null ? List.of() : check.missing(),
                check == null ? null : check.at(),
                path);
    }

    private static List<LayerJson> layers(Mixture mixture, Holding holding) {
        var family = holding.ink().orElse(null);
        var ink = mixture.amount(s -> s instanceof Substance.Ink(var f, var _, var _) && f == family);
        var fluid = mixture.amount(s -> s instanceof Substance.Fluid);
        var old = mixture.volume().over(ink).over(fluid);
        return java.util.stream.Stream.of(
                        new LayerJson("ink", family == null ? "ink" : family.label(), ink),
                        new LayerJson("fluid", "cleaning fluid", fluid),
                        new LayerJson("old", "other ink", old))
                .filter(l -> !l.volume().isZero())
                .toList();
    }
}
