package fairkettle.server.papers;

import fairkettle.ink.Holding;
import fairkettle.machine.Channel;
import fairkettle.machine.Feed;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.papers.LabelSheet.Label;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Labels for machines, their lines, bottles and waste, as one sheet. */
@RestController
class LabelController {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);
    private static final int MOST = 240; // ten sheets: more is a mistake

    private final Machines machines;
    private final Shelf shelf;
    private final WasteBottles waste;
    private final Shop shop;

    LabelController(Machines machines, Shelf shelf, WasteBottles waste, Shop shop) {
        this.machines = machines;
        this.shelf = shelf;
        this.waste = waste;
        this.shop = shop;
    }

    /**
     * What gets a label.
     *
     * @param address where the tablets reach the shop, as the browser knows it: the codes open its pages
     * @param machine machines, each with a code that opens its page
     * @param line machines whose slots, bottles and lines are named
     * @param lot bottles of the shelf
     * @param bottle waste bottles
     */
    record Chosen(
            @Nullable String address,
            @Nullable List<Long> machine,
            @Nullable List<Long> line,
            @Nullable List<Long> lot,
            @Nullable List<Long> bottle) {}

    /**
     * @param across places beside each other on a sheet
     * @param places of a sheet
     */
    record LabelsJson(int across, int places, List<Label> labels) {}

    /** The labels that such a choice comes to, in their order on the sheet. */
    @GetMapping("/api/labels")
    LabelsJson labels(@ParameterObject Chosen chosen) {
        return new LabelsJson(LabelSheet.ACROSS, LabelSheet.PLACES, of(chosen));
    }

    /**
     * The same as a sheet to be cut.
     *
     * @param begin the first place that is still free on the sheet in the tray, from 0
     */
    @GetMapping(path = "/api/labels.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    byte[] sheet(
            @ParameterObject Chosen chosen,
            @RequestParam(defaultValue = "0") int begin,
            @RequestParam(defaultValue = "a4") String paper) {
        if (begin < 0 || begin >= LabelSheet.PLACES) {
            throw Problem.atField("begin", "A sheet has %d places.".formatted(LabelSheet.PLACES));
        }
        var labels = of(chosen);
        if (labels.isEmpty()) {
            throw Problem.refused("Choose what gets a label.", List.of());
        }
        return LabelSheet.of(Sheet.paper(paper), labels, begin);
    }

    private List<Label> of(Chosen chosen) {
        var address = chosen.address() == null ? "" : chosen.address();
        if (!address.matches("https?://[\\w.:\\[\\]-]{1,200}")) {
            throw Problem.atField("address", "A label leads to this shop’s own pages.");
        }
        var labels = new ArrayList<Label>();
        each(chosen.machine(), id -> labels.add(ofMachine(machines.get(id), address)));
        each(chosen.line(), id -> ofLines(machines.get(id), labels::add));
        each(chosen.lot(), id -> labels.add(ofLot(shelf.find(id).orElseThrow(() -> unknown("bottle")))));
        var bottles = waste.all();
        each(
                chosen.bottle(),
                id -> labels.add(ofWaste(bottles.stream()
                        .filter(bottle -> bottle.id() == id)
                        .findFirst()
                        .orElseThrow(() -> unknown("waste bottle")))));
        if (labels.size() > MOST) {
            throw Problem.refused("At most %d labels at once.".formatted(MOST), List.of());
        }
        return labels;
    }

    private static void each(@Nullable List<Long> ids, LongConsumer what) {
        if (ids != null) {
            ids.forEach(what::accept);
        }
    }

    private static Problem unknown(String what) {
        return Problem.notFound("There is no such %s.".formatted(what));
    }

    private static Label ofMachine(Machine machine, String address) {
        return new Label(
                machine.name(),
                whatIsIn(machine),
                String.join(
                        " ",
                        machine.profile().channels().stream()
                                .map(c -> c.code().code())
                                .toList()),
                address + "/machines/" + machine.id());
    }

    private static String whatIsIn(Machine machine) {
        boolean inked = machine.holdings().values().stream().allMatch(held -> held instanceof Holding.Inked);
        return inked ? machine.family() + " only" : machine.family();
    }

    /** One for each slot’s vessel, and one for each end of a line that a hand can reach. */
    private static void ofLines(Machine machine, Consumer<Label> to) {
        int slot = 0;
        for (var channel : machine.profile().channels()) {
            slot++;
            var code = channel.code().code();
            var where = "slot %d, %s. %s: an old mark on the slot may say otherwise."
                    .formatted(slot, channel.code().colour(), whatIsIn(machine));
            to.accept(new Label(code, vessel(machine, channel) + " of " + machine.name(), where, null));
            if (channel.lineLiesOpen(machine.fit().feed())) {
                to.accept(new Label(code, "line of " + machine.name() + ", where it begins", where, null));
                to.accept(new Label(code, "line of " + machine.name() + ", at the head", where, null));
            }
        }
    }

    private static String vessel(Machine machine, Channel channel) {
        return machine.fit().feed() == Feed.BULK
                ? "bulk bottle"
                : channel.first().kind().label().toLowerCase(Locale.ROOT);
    }

    private static Label ofLot(Shelf.Lot lot) {
        return new Label(
                lot.channel() == null ? "Fluid" : lot.channel(),
                "%s%s, %s".formatted(lot.family(), lot.fluid() ? " cleaning fluid" : "", lot.make()),
                "%s. %s mL. Opened %s. %s%s"
                        .formatted(
                                lot.code(),
                                lot.volume(),
                                lot.openedOn() == null ? "____________" : day(lot.openedOn()),
                                lot.bestBefore() == null ? "" : "Best before %s.".formatted(day(lot.bestBefore())),
                                lot.foodGrade() ? " Food only." : ""),
                null);
    }

    private Label ofWaste(WasteBottles.Bottle bottle) {
        return new Label(
                "Waste",
                "%s: %s".formatted(bottle.name(), bottle.kind().label()),
                "Holds %s %s. Since %s. %s"
                        .formatted(
                                bottle.capacity(),
                                bottle.kind().weighed() ? "g" : "mL",
                                day(bottle.openedOn()),
                                waste.rules()
                                        .getOrDefault(
                                                bottle.kind(), shop.settings().wasteRule())),
                null);
    }

    private static String day(@Nullable LocalDate date) {
        return date == null ? "" : DAY.format(date);
    }
}
