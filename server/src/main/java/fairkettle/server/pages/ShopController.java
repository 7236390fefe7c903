package fairkettle.server.pages;

import fairkettle.check.Work;
import fairkettle.job.Separation;
import fairkettle.procedure.Uncapped;
import fairkettle.safety.School;
import fairkettle.server.people.People;
import fairkettle.server.shop.Shop;
import fairkettle.server.shop.ShopSettings;
import fairkettle.server.shop.SimulatedBench;
import fairkettle.server.web.ClockCheck;
import fairkettle.server.web.Reach;
import jakarta.validation.Valid;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ShopController {

    private final Shop shop;
    private final People people;
    private final Clock clock;
    private final ObjectProvider<SimulatedBench> bench;
    private final Reach reach;
    private final ClockCheck clockCheck;

    ShopController(
            Shop shop,
            People people,
            Clock clock,
            ObjectProvider<SimulatedBench> bench,
            Reach reach,
            ClockCheck clockCheck) {
        this.clockCheck = clockCheck;
        this.bench = bench;
        this.shop = shop;
        this.people = people;
        this.clock = clock;
        this.reach = reach;
    }

    /**
     * @param now the server's clock, by which every wait runs
     * @param workshop whether other devices can reach it
     * @param fingerprint of the certificate it shows, to be compared by people; null if it shows none
     * @param simulatedBench where the simulated machines of a demo are to be seen; null in a shop of one's own
     * @param clockTrouble why the server's clock cannot be believed, in a sentence; null if it can
     */
    record ShopJson(
            ShopSettings settings,
            int version,
            List<People.Person> people,
            List<SchoolJson> schools,
            List<WorkJson> works,
            double usualChoke,
            int usualBare,
            Instant now,
            boolean workshop,
            @Nullable String fingerprint,
            @Nullable String simulatedBench,
            @Nullable String clockTrouble) {}

    /** @param usual gaps that it forgives where the shop says nothing */
    record WorkJson(Work work, String label, Work.Tolerance usual) {}

    record SchoolJson(School school, String question, List<School.Position> positions) {}

    @GetMapping("/api/shop")
    ShopJson shop() {
        return render(shop.kept());
    }

    @PutMapping("/api/shop")
    ResponseEntity<ShopJson> saveShop(
            @Valid @RequestBody ShopSettings settings, @RequestHeader("If-Match") String version) {
        var kept = shop.save(
                settings,
                Integer.parseInt(version.replaceAll("\\D", "").isEmpty() ? "-1" : version.replaceAll("\\D", "")));
        return ResponseEntity.ok().eTag("\"" + kept.version() + "\"").body(render(kept));
    }

    private ShopJson render(Shop.Kept kept) {
        return new ShopJson(
                kept.settings(),
                kept.version(),
                people.all(),
                Stream.of(School.values())
                        .map(s -> new SchoolJson(s, s.question(), s.positions()))
                        .toList(),
                Stream.of(Work.values())
                        .map(w -> new WorkJson(w, w.label(), w.usual()))
                        .toList(),
                Separation.USUAL_CHOKE,
                Uncapped.BARE_LIMIT,
                clock.instant(),
                reach.byOthers(),
                reach.fingerprint(),
                bench.stream().map(SimulatedBench::url).findFirst().orElse(null),
                clockCheck.trouble());
    }
}
