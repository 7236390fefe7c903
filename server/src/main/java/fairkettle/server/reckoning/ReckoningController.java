package fairkettle.server.reckoning;

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
import fairkettle.server.profiles.ProfileBook;
import fairkettle.server.shop.Shop;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
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

    ReckoningController(ProfileBook profiles, Shop shop) {
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

    @GetMapping("/api/reckoning/pad-full")
    PadFullJson padFull() {
        return new PadFullJson(PadFull.FULL, PadFull.STILL_GOES, PadFull.NOT);
    }
}
