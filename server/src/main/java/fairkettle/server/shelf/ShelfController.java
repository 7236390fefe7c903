package fairkettle.server.shelf;

import fairkettle.ink.BottleKind;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Supply;
import fairkettle.safety.Reuse;
import fairkettle.safety.School;
import fairkettle.safety.WasteKind;
import fairkettle.server.live.Live;
import fairkettle.server.shop.Shop;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ShelfController {

    private final Shelf shelf;
    private final Supplies supplies;
    private final WasteBottles waste;
    private final Shop shop;
    private final Live live;
    private final Clock clock;

    ShelfController(Shelf shelf, Supplies supplies, WasteBottles waste, Shop shop, Live live, Clock clock) {
        this.shelf = shelf;
        this.supplies = supplies;
        this.waste = waste;
        this.shop = shop;
        this.live = live;
        this.clock = clock;
    }

    /** @param reason why nothing must be filled from it */
    record SpoilJson(
            @NotBlank(message = "Say what is wrong with it.") @Size(max = 200, message = "At most 200 letters.")
            String reason) {}

    record CountJson(
            @Min(value = 0, message = "Not below nothing.") @Max(value = 9999, message = "At most 9999.")
            int count,

            @Nullable @Min(value = 0, message = "Not below nothing.")
            Long price,

            @Nullable @Size(max = 120, message = "At most 120 letters.")
            String why) {}

    record WasteJson(
            @NotBlank(message = "Give it a name.") @Size(max = 40, message = "At most 40 letters.")
            String name,

            @NotNull WasteKind kind,

            @NotNull(message = "How much does it hold, in mL?")
            Millilitres capacity) {}

    record NewLotJson(
            @NotNull(message = "Choose the family.") Family family,
            @Nullable String channel,

            @NotBlank(message = "Whose ink is it?") @Size(max = 60, message = "At most 60 letters.")
            String make,

            @NotBlank(message = "Copy the code on the bottle.") @Size(max = 60, message = "At most 60 letters.")
            String code,

            @NotNull(message = "Give the volume in mL.") Millilitres volume,
            @Min(value = 0, message = "Not below nothing.") long price,
            boolean foodGrade,
            @Nullable LocalDate bestBefore,
            @Nullable BottleKind kind) {}

    @GetMapping("/api/shelf/lots")
    List<Shelf.Lot> lots() {
        return shelf.lots();
    }

    @PostMapping("/api/shelf/lots")
    @ResponseStatus(HttpStatus.CREATED)
    List<Shelf.Lot> addLot(@Valid @RequestBody NewLotJson lot) {
        shelf.add(new Shelf.NewLot(
                lot.family(),
                lot.channel(),
                lot.make(),
                lot.code(),
                lot.volume(),
                lot.price(),
                lot.foodGrade(),
                lot.bestBefore(),
                null,
                lot.kind()));
        live.changed("shelf");
        return shelf.lots();
    }

    @PostMapping("/api/shelf/lots/{lot}/spoiled")
    List<Shelf.Lot> spoilLot(@PathVariable long lot, @Valid @RequestBody SpoilJson spoil) {
        shelf.spoil(lot, spoil.reason().strip());
        live.changed("shelf");
        return shelf.lots();
    }

    record PourOverJson(
            @NotNull(message = "Which kind of bottle is it in now?")
            BottleKind into) {}

    /** @param saved against a bottle bought of that kind, null where none ever was */
    record PouredOverJson(@Nullable Money saved) {}

    /** It was poured over into a bottle of another kind. */
    @PostMapping("/api/shelf/lots/{lot}/poured-over")
    PouredOverJson pourOver(@PathVariable long lot, @Valid @RequestBody PourOverJson pour) {
        return new PouredOverJson(shelf.pourOver(lot, pour.into()));
    }

    record LotCountJson(
            @NotNull(message = "How much is in it, in mL?") Millilitres holds,

            @NotBlank(message = "Say why it differs.") @Size(max = 120, message = "At most 120 letters.")
            String why) {}

    /** It was weighed or measured. */
    @PostMapping("/api/shelf/lots/{lot}/counted")
    List<Shelf.Lot> countLot(@PathVariable long lot, @Valid @RequestBody LotCountJson counted) {
        shelf.counted(lot, counted.holds(), counted.why().strip());
        live.changed("shelf");
        return shelf.lots();
    }

    @GetMapping("/api/shelf/supplies")
    List<Supplies.Line> supplies() {
        return supplies.all();
    }

    @PutMapping("/api/shelf/supplies/{what}")
    List<Supplies.Line> countSupply(@PathVariable Supply what, @Valid @RequestBody CountJson counted) {
        supplies.count(
                what,
                counted.count(),
                counted.price(),
                counted.why() == null ? "" : counted.why().strip());
        return supplies.all();
    }

    @GetMapping("/api/shelf/waste")
    List<WasteBottles.Bottle> waste() {
        return waste.all();
    }

    /** @param rule what this place wants done with it; empty where the shop said nothing */
    record WasteKindJson(WasteKind kind, String label, String how, boolean weighed, String rule) {}

    record ReuseJson(String origin, Reuse.Destination destination, String goes, String reason) {}

    /** @param reuse where each drawn ink goes, by the school that the shop follows */
    record WasteWaysJson(List<WasteKindJson> kinds, List<ReuseJson> reuse) {}

    record WasteRuleJson(
            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String words) {}

    record WeighedWasteJson(
            @Min(value = 1, message = "At least a gram.") @Max(value = 50_000, message = "At most 50 kg at once.")
            int grams) {}

    @GetMapping("/api/shelf/waste/ways")
    WasteWaysJson wasteWays() {
        var rules = waste.rules();
        boolean returns = shop.settings()
                .terms(Map.of(), supplies.prices())
                .position(School.RETURN_INK)
                .id()
                .equals("clean");
        return new WasteWaysJson(
                Arrays.stream(WasteKind.values())
                        .map(k -> new WasteKindJson(k, k.label(), k.how(), k.weighed(), rules.getOrDefault(k, "")))
                        .toList(),
                Arrays.stream(Reuse.values())
                        .map(r -> new ReuseJson(
                                r.label(), r.goes(returns), r.goes(returns).label(), r.reason()))
                        .toList());
    }

    /** What this place wants done with a kind of waste; empty words leave it to the shop’s one rule. */
    @PutMapping("/api/shelf/waste/rules/{kind}")
    WasteWaysJson wasteRule(@PathVariable WasteKind kind, @Valid @RequestBody WasteRuleJson rule) {
        waste.rule(kind, rule.words());
        return wasteWays();
    }

    @PostMapping("/api/shelf/waste/{bottle}/solids")
    List<WasteBottles.Bottle> solidWaste(@PathVariable long bottle, @Valid @RequestBody WeighedWasteJson solid) {
        waste.add(bottle, solid.grams());
        return waste.all();
    }

    @PostMapping("/api/shelf/waste")
    @ResponseStatus(HttpStatus.CREATED)
    List<WasteBottles.Bottle> openWaste(@Valid @RequestBody WasteJson bottle) {
        waste.open(bottle.name(), bottle.kind(), bottle.capacity(), today());
        return waste.all();
    }

    @PostMapping("/api/shelf/waste/{bottle}/disposed")
    List<WasteBottles.Bottle> disposeWaste(@PathVariable long bottle) {
        waste.dispose(bottle, today());
        return waste.all();
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }
}
