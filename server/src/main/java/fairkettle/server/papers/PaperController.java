package fairkettle.server.papers;

import fairkettle.changeover.Answer;
import fairkettle.changeover.Plan;
import fairkettle.machine.TankHeight;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.procedure.StepRun;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.cards.Cards;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.changeover.WishQuery;
import fairkettle.server.keys.Vault;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.owed.Owed;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import fairkettle.typed.Days;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

@RestController
class PaperController {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final Changeovers changeovers;
    private final Cards cards;
    private final Machines machines;
    private final Passports passports;
    private final Owed owed;
    private final Vault vault;
    private final Ledger ledger;
    private final Shop shop;
    private final JsonMapper json;
    private final Clock clock;

    PaperController(
            Changeovers changeovers,
            Cards cards,
            Machines machines,
            Passports passports,
            Owed owed,
            Vault vault,
            Ledger ledger,
            Shop shop,
            JsonMapper json,
            Clock clock) {
        this.changeovers = changeovers;
        this.cards = cards;
        this.machines = machines;
        this.passports = passports;
        this.owed = owed;
        this.vault = vault;
        this.ledger = ledger;
        this.shop = shop;
        this.json = json;
        this.clock = clock;
    }

    /**
     * @param kind plan, card or quantities
     * @param card the card that was brought in, or null
     * @param differences of the quantities against the plan as it would be now; empty where they agree
     */
    record BroughtIn(
            String kind,
            Changeovers.@Nullable Wish wish,
            @Nullable Long card,
            List<String> differences) {}

    @GetMapping("/api/machines/{machine}/changeover/shopping.pdf")
    ResponseEntity<byte[]> shoppingPdf(
            @PathVariable long machine,
            @ParameterObject WishQuery asked,
            @RequestParam(defaultValue = "a4") String paper) {
        var found = machines.get(machine);
        return file(
                Papers.shopping(Sheet.paper(paper), found.name(), planned(asked.on(machine)), today()),
                MediaType.APPLICATION_PDF,
                found.name() + " to buy.pdf");
    }

    @GetMapping("/api/machines/{machine}/changeover/card.pdf")
    ResponseEntity<byte[]> planPdf(
            @PathVariable long machine,
            @ParameterObject WishQuery asked,
            @RequestParam(defaultValue = "a4") String paper) {
        var found = machines.get(machine);
        var plan = planned(asked.on(machine));
        return file(
                Papers.card(
                        Sheet.paper(paper),
                        found.name(),
                        plan.route().label(),
                        plan.procedure().steps(),
                        List.of(),
                        null,
                        today()),
                MediaType.APPLICATION_PDF,
                found.name() + " card.pdf");
    }

    @GetMapping("/api/machines/{machine}/changeover/plan.json")
    ResponseEntity<byte[]> planJson(@PathVariable long machine, @ParameterObject WishQuery asked) {
        var found = machines.get(machine);
        var wish = asked.on(machine);
        var body = json.writerWithDefaultPrettyPrinter()
                .writeValueAsBytes(
                        Files.PlanFile.of(found.name(), found.profile().name(), wish, planned(wish), clock.instant()));
        return file(body, MediaType.APPLICATION_JSON, found.name() + " plan.json");
    }

    @GetMapping("/api/machines/{machine}/changeover/quantities.csv")
    ResponseEntity<byte[]> quantitiesCsv(@PathVariable long machine, @ParameterObject WishQuery asked) {
        return file(
                Files.csv(Files.quantities(planned(asked.on(machine)))).getBytes(StandardCharsets.UTF_8),
                CSV,
                machines.get(machine).name() + " quantities.csv");
    }

    @GetMapping("/api/machines/{machine}/passport.pdf")
    ResponseEntity<byte[]> passportPdf(@PathVariable long machine, @RequestParam(defaultValue = "a4") String paper) {
        var found = machines.get(machine);
        var pad = ledger.ofMachineNow(machine)
                .getOrDefault(new Place.Pad(machine), Mixture.EMPTY)
                .volume();
        var tried = passports.tried(machine);
        return file(
                Papers.passport(
                        Sheet.paper(paper),
                        found,
                        passports.facts(machine),
                        pad,
                        passports.outsideWaste(machine).orElse(null),
                        TankHeight.lastSafe(tried),
                        !tried.isEmpty(),
                        today(),
                        this::day,
                        cards.of(machine),
                        owed.of(machine),
                        passports.documents(machine),
                        vault.has(machine)),
                MediaType.APPLICATION_PDF,
                found.name() + " passport.pdf");
    }

    @GetMapping("/api/cards/{card}/card.pdf")
    ResponseEntity<byte[]> cardPdf(@PathVariable long card, @RequestParam(defaultValue = "a4") String paper) {
        var kept = cards.get(card);
        var name = machines.get(kept.machine()).name();
        return file(
                Papers.card(
                        Sheet.paper(paper),
                        name,
                        kept.title(),
                        kept.card().runs().stream().map(StepRun::step).toList(),
                        kept.card().done(),
                        kept.card(),
                        today()),
                MediaType.APPLICATION_PDF,
                name + " card.pdf");
    }

    @GetMapping("/api/cards/{card}/card.json")
    ResponseEntity<byte[]> cardJson(@PathVariable long card) {
        var kept = cards.get(card);
        var name = machines.get(kept.machine()).name();
        var body = new Files.CardFile(
                Files.CARD,
                Files.VERSION,
                clock.instant(),
                name,
                kept.title(),
                kept.family(),
                kept.make(),
                kept.createdAt(),
                kept.finishedAt(),
                json.readTree(kept.plan().data()),
                kept.card());
        return file(
                json.writerWithDefaultPrettyPrinter().writeValueAsBytes(body),
                MediaType.APPLICATION_JSON,
                name + " card.json");
    }

    /**
     * A plan, a finished card or a table of quantities, brought back. A plan is worked out afresh, and differences are
     * said.
     */
    @PostMapping(path = "/api/machines/{machine}/bring-in", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    BroughtIn bringIn(@PathVariable long machine, @RequestBody byte[] file, @ParameterObject WishQuery asked) {
        if (file.length > 2_000_000) {
            throw Problem.refused("This file is too large: plans and cards have less than 2 MB.", List.of());
        }
        machines.get(machine);
        return switch (Files.formatOf(json, file)) {
            case Files.PLAN -> {
                var plan = Files.read(json, file, Files.PLAN, Files.PlanFile.class);
                var w = plan.wish();
                var wish = new Changeovers.Wish(
                        machine,
                        w.purpose(),
                        w.family(),
                        w.make(),
                        w.purity(),
                        w.route(),
                        w.chips(),
                        w.carries(),
                        w.onFluid(),
                        w.hands());
                yield new BroughtIn("plan", wish, null, differences(plan.quantities(), wish));
            }
            case Files.CARD -> {
                var card = Files.read(json, file, Files.CARD, Files.CardFile.class);
                if (card.finishedAt() == null) {
                    throw Problem.refused(
                            "This card was not finished. Only finished cards are brought in; an open one goes on where"
                                    + " it was begun.",
                            List.of());
                }
                yield new BroughtIn(
                        "card",
                        null,
                        cards.bringIn(
                                machine,
                                card.title(),
                                card.family(),
                                card.make(),
                                card.createdAt(),
                                card.finishedAt(),
                                card.summary().toString(),
                                card.card()),
                        List.of());
            }
            default -> {
                var quantities = Files.readCsv(new String(file, StandardCharsets.UTF_8));
                var wish = asked.on(machine);
                yield new BroughtIn("quantities", wish, null, differences(quantities, wish));
            }
        };
    }

    private List<String> differences(List<Files.Quantity> then, Changeovers.Wish wish) {
        if (!(changeovers.plan(wish) instanceof Answer.Planned(var plan))) {
            return List.of("There is no such plan for this machine now.");
        }
        var now = Files.quantities(plan);
        var differences = new ArrayList<String>();
        for (var before : then) {
            var same = now.stream()
                    .filter(q -> q.slotThen().equals(before.slotThen()))
                    .findFirst();
            if (same.isEmpty()) {
                differences.add("%s is no slot of this plan.".formatted(before.slotThen()));
            } else if (!same.get().needed().equals(before.needed())) {
                differences.add("%s needs %s mL of new ink now; the file says %s mL."
                        .formatted(before.slotThen(), same.get().needed(), before.needed()));
            }
        }
        return differences;
    }

    private Plan planned(Changeovers.Wish wish) {
        return switch (changeovers.plan(wish)) {
            case Answer.Planned(var plan) -> plan;
            case Answer.NotSo(var reason, var _) -> throw Problem.refused(reason, List.of());
            case Answer.Refused(var reason) -> throw Problem.refused(reason, List.of());
        };
    }

    private String today() {
        return day(clock.instant());
    }

    private String day(Instant at) {
        return Days.said(LocalDate.ofInstant(at, shop.settings().zoneId()));
    }

    private static ResponseEntity<byte[]> file(byte[] body, MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(body);
    }
}
