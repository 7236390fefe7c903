package fairkettle.server.benches;

import fairkettle.machine.BulkKit;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.Handling;
import fairkettle.machine.Panel;
import fairkettle.machine.PanelKind;
import fairkettle.machine.Screws;
import fairkettle.machine.Tray;
import fairkettle.machine.WasteLines;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** How hands get at a machine, and putting that right for one that is like its profile but not it. */
@RestController
class HandlingController {

    private final Machines machines;

    HandlingController(Machines machines) {
        this.machines = machines;
    }

    /** @param version for If-Match */
    record HandlingJson(
            int version,
            CarriageFreeing freeing,
            List<FreeingJson> freeings,
            PanelKind panel,
            List<PanelJson> panels,
            List<WayJson> ways,
            List<Screws> screws,
            WasteLines wasteLines,
            List<LinesJson> lines,
            BulkKit kit,
            KitPartsJson kitParts,
            List<UsualKitJson> kits,
            List<Tray> trays,
            List<TrayJson> allTrays,
            TeachJson taught) {}

    /** Parts that differ from kit to kit, with the words for them. */
    record KitPartsJson(List<RibbonJson> ribbons, List<ChamberJson> chambers, List<BracketJson> brackets) {

        static final KitPartsJson ALL = new KitPartsJson(
                Stream.of(BulkKit.Ribbon.values())
                        .map(r -> new RibbonJson(r, r.label()))
                        .toList(),
                Stream.of(BulkKit.Chamber.values())
                        .map(c -> new ChamberJson(c, c.label()))
                        .toList(),
                Stream.of(BulkKit.Bracket.values())
                        .map(b -> new BracketJson(b, b.label()))
                        .toList());
    }

    record RibbonJson(BulkKit.Ribbon id, String label) {}

    record ChamberJson(BulkKit.Chamber id, String label) {}

    record BracketJson(BulkKit.Bracket id, String label) {}

    record UsualKitJson(BulkKit.Usual id, String label, BulkKit kit) {}

    /** @param acts what the hands do, one after the other */
    record FreeingJson(CarriageFreeing id, String label, List<String> acts, String goesWrong, String nextStart) {}

    record PanelJson(PanelKind id, String label) {}

    record LinesJson(WasteLines id, String label) {}

    record TrayJson(Tray id, String label) {}

    /** @param own true if somebody has taught it */
    record WayJson(
            Panel.Act act,
            String label,
            String say,
            @Nullable Integer seconds,
            boolean own) {}

    /** What is other than its profile says; null, or missing among the ways, is as the profile says. */
    record TeachJson(
            @Nullable CarriageFreeing freeing,
            @Nullable PanelKind panel,
            @NotNull Map<Panel.Act, @Valid TaughtWayJson> ways,

            @Nullable @Size(max = 12, message = "At most twelve kinds of screws.")
            List<@Valid ScrewsJson> screws,

            @Nullable WasteLines wasteLines,
            @Nullable BulkKit kit,

            @Nullable @Size(min = 1, max = 4, message = "Where does paper go in? One way at least.")
            List<@NotNull Tray> trays) {

        static TeachJson of(Handling.Taught taught) {
            var how = new EnumMap<Panel.Act, TaughtWayJson>(Panel.Act.class);
            taught.ways().forEach((act, way) -> how.put(act, new TaughtWayJson(way.say(), way.seconds())));
            var screws = taught.screws();
            return new TeachJson(
                    taught.freeing(),
                    taught.panel(),
                    how,
                    screws == null
                            ? null
                            : screws.stream()
                                    .map(s -> new ScrewsJson(s.which(), s.count()))
                                    .toList(),
                    taught.wasteLines(),
                    taught.kit(),
                    taught.trays());
        }

        Handling.Taught taught() {
            var how = new EnumMap<Panel.Act, Panel.How>(Panel.Act.class);
            ways.forEach((act, way) -> how.put(act, new Panel.How(way.say().strip(), way.seconds())));
            return new Handling.Taught(
                    freeing,
                    panel,
                    how,
                    screws == null
                            ? null
                            : screws.stream()
                                    .map(s -> new Screws(s.which().strip(), s.count()))
                                    .toList(),
                    wasteLines,
                    kit,
                    trays == null ? null : trays.stream().distinct().toList());
        }
    }

    record TaughtWayJson(
            @NotBlank(message = "Say which key, or which entries of which menu.")
            @Size(max = 300, message = "At most 300 letters.")
            String say,

            @Nullable @Min(value = 1, message = "1 to 120 seconds.") @Max(value = 120, message = "1 to 120 seconds.")
            Integer seconds) {}

    record ScrewsJson(
            @NotBlank(message = "Which screws?") @Size(max = 60, message = "At most 60 letters.")
            String which,

            @Min(value = 1, message = "1 to 60.") @Max(value = 60, message = "1 to 60.")
            int count) {}

    @GetMapping("/api/machines/{machine}/handling")
    HandlingJson handling(@PathVariable long machine) {
        return json(machines.get(machine));
    }

    @PutMapping("/api/machines/{machine}/handling")
    HandlingJson teach(
            @PathVariable long machine, @Valid @RequestBody TeachJson taught, @RequestHeader("If-Match") int version) {
        machines.teach(machine, taught.taught(), version);
        return json(machines.get(machine));
    }

    private static HandlingJson json(Machines.Machine machine) {
        var handling = machine.built().handling();
        return new HandlingJson(
                machine.version(),
                handling.freeing(),
                Stream.of(CarriageFreeing.values())
                        .map(f -> new FreeingJson(f, f.label(), f.acts(), f.goesWrong(), f.nextStart()))
                        .toList(),
                handling.panel().kind(),
                Stream.of(PanelKind.values())
                        .map(k -> new PanelJson(k, k.label()))
                        .toList(),
                Stream.of(Panel.Act.values())
                        .map(act -> new WayJson(
                                act,
                                act.label(),
                                handling.panel().how(act).say(),
                                handling.panel().how(act).seconds(),
                                machine.taught().ways().containsKey(act)))
                        .toList(),
                handling.screws(),
                handling.wasteLines(),
                Stream.of(WasteLines.values())
                        .map(l -> new LinesJson(l, l.label()))
                        .toList(),
                handling.kit(),
                KitPartsJson.ALL,
                Stream.of(BulkKit.Usual.values())
                        .map(u -> new UsualKitJson(u, u.label(), u.kit()))
                        .toList(),
                handling.trays(),
                Stream.of(Tray.values()).map(t -> new TrayJson(t, t.label())).toList(),
                TeachJson.of(machine.taught()));
    }
}
