package fairkettle.server.reckoning;

import fairkettle.books.Payback;
import fairkettle.books.Voucher;
import fairkettle.changeover.FeedWays;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.Chips;
import fairkettle.machine.PadFull;
import fairkettle.machine.Plumbing;
import fairkettle.machine.Profiles;
import fairkettle.machine.SecondHand;
import fairkettle.machine.Similarity;
import fairkettle.machine.Standing;
import fairkettle.routine.WhitePrint;
import fairkettle.safety.Agent;
import fairkettle.server.benches.Machines;
import fairkettle.server.books.Books;
import fairkettle.server.profiles.ProfileBook;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ReckoningController {

    private final ProfileBook profiles;
    private final Shop shop;
    private final Machines machines;
    private final Supplies supplies;
    private final Books books;
    private final Clock clock;

    ReckoningController(
            ProfileBook profiles, Shop shop, Machines machines, Supplies supplies, Books books, Clock clock) {
        this.machines = machines;
        this.supplies = supplies;
        this.books = books;
        this.clock = clock;
        this.shop = shop;
        this.profiles = profiles;
    }

    record TubeJson(Millilitres holds, double exchanges, Millilitres through) {}

    record LengthJson(double millimetres) {}

    record WeightJson(Millilitres left) {}

    record PlaceJson(
            @NotNull Standing.Machine machine, @NotNull Standing.Table table) {}

    record FitsJson(boolean fits, List<String> problems, List<String> remarks) {}

    record NearJson(String profile, String name, double likeness, List<String> differs) {}

    record LookJson(SecondHand.Look id, String label) {}

    record PairJson(Agent agent, String label, boolean may, String reason) {}

    record TouchedJson(Agent.Part id, String label, List<PairJson> agents) {}

    /**
     * @param once minor units; {@code parts} of it by what they are; {@code perMonth} likewise
     * @param months until it has cost less than what it is held against; null never
     * @param ahead months for which it costs less before it is dearer for good; null where it is not so
     */
    record FedJson(
            String label,
            List<Payback.Outlay> parts,
            long once,
            double perSheet,
            long perMonth,
            double minutes,
            @Nullable Double months,
            @Nullable Long sheets,
            @Nullable Double ahead,
            long year,
            long threeYears,
            int days,
            String basis) {}

    /** @param learned whether sheets and ink are what this machine really did of late; {@code against} by its place */
    record FedWaysJson(int sheets, double mL, boolean learned, int against, List<FedJson> ways) {}

    record VoucherJson(BigDecimal takenOffFirst, BigDecimal changedFirst, long differsBy, String currency) {}

    record PadFullJson(double from, List<String> goes, List<String> not) {}

    /**
     * What a tube and the vessels behind it hold, and how much has to go through to leave only a share of what was in
     * it.
     */
    @GetMapping("/api/reckoning/tube")
    TubeJson tube(
            @RequestParam double boreMm,
            @RequestParam double lengthCm,
            @RequestParam(defaultValue = "0") double besideMl,
            @RequestParam(defaultValue = "0.01") double residue) {
        var holds = Plumbing.tubeVolume(boreMm, lengthCm).plus(Millilitres.rounded(Math.max(0, besideMl)));
        double exchanges = Plumbing.exchanges(residue);
        return new TubeJson(holds, exchanges, Millilitres.rounded(holds.mL() * exchanges));
    }

    /** What white prints like that stood so long. */
    @GetMapping("/api/reckoning/white")
    WhitePrint white(
            @RequestParam
                    @DecimalMin(value = "0", message = "Not below nothing.")
                    @DecimalMax(value = "60", message = "At most 60 days.")
                    double days,
            @RequestParam
                    @Min(value = 0, message = "Not below nothing.")
                    @Max(value = 60, message = "At most 60 times.")
                    int shaken,
            @RequestParam
                    @Min(value = 0, message = "Not below nothing.")
                    @Max(value = 60, message = "At most 60 times.")
                    int moved,
            @RequestParam
                    @DecimalMin(value = "1", message = "At least one sheet.")
                    @DecimalMax(value = "200", message = "At most 200 sheets.")
                    double sheets) {
        var film = Profiles.ALL.stream()
                .filter(p -> p.architecture() == Architecture.FILM
                        && p.codes().stream().anyMatch(ChannelCode::white))
                .findFirst()
                .orElseThrow();
        var white = film.codes().stream().filter(ChannelCode::white).findFirst().orElseThrow();
        return WhitePrint.of(
                film.channel(white),
                shop.settings().sinking(),
                days,
                shaken,
                moved,
                sheets,
                film.draws().sheet().mL());
    }

    @GetMapping("/api/reckoning/adapter")
    LengthJson adapter(@RequestParam double barbToBaseMm) {
        return new LengthJson(Plumbing.adapterLength(barbToBaseMm));
    }

    @GetMapping("/api/reckoning/weight")
    WeightJson weight(
            @RequestParam double gross,
            @RequestParam double empty,
            @RequestParam(defaultValue = "1.05") double density) {
        return new WeightJson(Plumbing.byWeight(gross, empty, density));
    }

    @PostMapping("/api/reckoning/place")
    FitsJson place(@Valid @RequestBody PlaceJson place) {
        var problems = Standing.problems(place.machine(), place.table());
        return new FitsJson(problems.isEmpty(), problems, Standing.remarks(place.machine(), place.table()));
    }

    @GetMapping("/api/reckoning/similar")
    List<NearJson> similar(
            @RequestParam int channels,
            @RequestParam(required = false) @Nullable Architecture architecture,
            @RequestParam(required = false) @Nullable Boolean screen,
            @RequestParam(required = false) @Nullable Boolean headsByUser,
            @RequestParam(required = false) @Nullable CarriageFreeing freeing,
            @RequestParam(required = false) @Nullable Chips chips,
            @RequestParam(required = false) @Nullable String largestSheet) {
        var seen = new Similarity.Seen(architecture, channels, screen, headsByUser, freeing, chips, largestSheet);
        return Similarity.nearest(
                        seen,
                        profiles.all().stream().map(ProfileBook.Listed::profile).toList())
                .stream()
                .limit(3)
                .map(n -> new NearJson(n.profile().id(), n.profile().name(), n.likeness(), n.differs()))
                .toList();
    }

    @GetMapping("/api/reckoning/second-hand")
    List<LookJson> secondHandLooks() {
        return Arrays.stream(SecondHand.Look.values())
                .map(l -> new LookJson(l, l.label()))
                .toList();
    }

    @PostMapping("/api/reckoning/second-hand")
    SecondHand.Verdict secondHand(@RequestBody Map<SecondHand.Look, Boolean> seen) {
        return SecondHand.of(seen);
    }

    /** What may touch which part of a machine that holds a family. */
    @GetMapping("/api/reckoning/agents")
    List<TouchedJson> agents(@RequestParam Family family) {
        return Arrays.stream(Agent.Part.values())
                .map(part -> new TouchedJson(
                        part,
                        part.label(),
                        Arrays.stream(Agent.values())
                                .map(agent -> {
                                    var verdict = agent.on(part, family);
                                    return new PairJson(agent, agent.label(), verdict.may(), verdict.reason());
                                })
                                .toList()))
                .toList();
    }

    /** The same sheets got in every way that a machine allows, held against one of them. */
    @GetMapping("/api/reckoning/ways")
    FedWaysJson waysToFeed(
            @RequestParam long machine,
            @RequestParam Family family,
            @RequestParam(required = false)
                    @Nullable
                    @Min(value = 1, message = "At least one sheet.")
                    @Max(value = 100_000, message = "At most 100 000 sheets.")
                    Integer sheets,
            @RequestParam(required = false)
                    @Nullable
                    @DecimalMin(value = "0.01", message = "Above nothing.")
                    @DecimalMax(value = "100", message = "At most 100 mL.")
                    Double mL,
            @RequestParam(defaultValue = "0") @Min(value = 0, message = "Not below nothing.") long machinePrice,
            @RequestParam(defaultValue = "0") @Min(value = 0, message = "Not below nothing.") long pressPrice,
            @RequestParam(defaultValue = "true") boolean stocked,
            @RequestParam(required = false) @Nullable Integer against) {
        var found = machines.get(machine);
        var settings = shop.settings();
        var habit = books.habit(machine, LocalDate.now(clock.withZone(settings.zoneId())));
        int count = sheets != null ? sheets : habit.map(Books.Habit::sheets).orElse(FeedWays.SHEETS);
        double ink = mL != null ? mL : habit.map(Books.Habit::mL).orElse(FeedWays.ordinarySheet(found.built()));
        var compared = settings.compared();
        var ways = FeedWays.of(
                found.built(),
                new FeedWays.Wanted(family, count, ink, machinePrice, pressPrice, stocked),
                settings.terms(found.schools(), supplies.prices()),
                new FeedWays.Elsewhere(
                        compared.dedicatedMachine(),
                        compared.orderedSheet(),
                        compared.inkedSheet(),
                        compared.orderedDays()));
        if (against != null && (against < 0 || against >= ways.size())) {
            throw Problem.atField("against", "There is no such way.");
        }
        var other = against == null ? FeedWays.usual(ways, family) : ways.get(against);
        return new FedWaysJson(
                count,
                ink,
                habit.isPresent() && sheets == null && mL == null,
                ways.indexOf(other),
                Payback.of(ways, count, settings.labourPerHour() * 1000 / 60, other).stream()
                        .map(l -> new FedJson(
                                l.way().label(),
                                l.way().once(),
                                l.once(),
                                l.way().perSheet() / 1000.0,
                                l.perMonth(),
                                l.way().minutes(),
                                l.tenths() == null ? null : l.tenths() / 10.0,
                                l.sheets(),
                                l.ahead() == null ? null : l.ahead() / 10.0,
                                l.year(),
                                l.threeYears(),
                                l.way().days(),
                                l.way().basis()))
                        .toList());
    }

    /** A price with a voucher, in another currency: both orders of rounding. */
    @GetMapping("/api/reckoning/voucher")
    VoucherJson voucher(
            @RequestParam BigDecimal price,
            @RequestParam String of,
            @RequestParam BigDecimal percentOff,
            @RequestParam BigDecimal rate) {
        try {
            var told = new Voucher(
                    price,
                    Currency.getInstance(of),
                    percentOff,
                    rate,
                    shop.settings().money());
            return new VoucherJson(
                    told.takenOffFirst(),
                    told.changedFirst(),
                    told.differsBy(),
                    shop.settings().currency());
        } catch (IllegalArgumentException e) {
            throw Problem.atField(
                    "price", e.getMessage() == null ? "“%s” is no currency’s code.".formatted(of) : e.getMessage());
        }
    }

    @GetMapping("/api/reckoning/pad-full")
    PadFullJson padFull() {
        return new PadFullJson(PadFull.FULL, PadFull.STILL_GOES, PadFull.NOT);
    }
}
