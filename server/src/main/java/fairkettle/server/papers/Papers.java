package fairkettle.server.papers;

import fairkettle.changeover.ChannelPlan;
import fairkettle.changeover.Plan;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Fact;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.StageBoard;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Passports;
import fairkettle.server.benches.Passports.OutsideWaste;
import fairkettle.server.cards.Cards;
import fairkettle.server.changeover.Shopping;
import fairkettle.server.owed.Owed;
import fairkettle.typed.Days;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jspecify.annotations.Nullable;

/** A card and its shopping list, to be pinned to a wall. */
final class Papers {

    private Papers() {}

    /**
     * @param steps in order
     * @param done ids of the steps that are done already; they are printed with a mark
     * @param handedOver the card as it stands, for whoever goes on with it; null for a plan
     */
    static byte[] card(
            PDRectangle paper,
            String machine,
            String title,
            List<Step> steps,
            List<String> done,
            @Nullable Card handedOver,
            String printed) {
        try (var sheet =
                new Sheet(paper, "Fair Kettle   ·   %s   ·   %s   ·   %s".formatted(machine, title, printed))) {
            sheet.title(machine + ": " + title);
            sheet.text(
                    "Steps in their order. A box is ticked when it is done. Words in bold are hold points: nobody goes"
                            + " on before they are true.");
            if (handedOver != null && !handedOver.finished()) {
                handover(sheet, handedOver);
            }
            String part = "";
            for (var step : steps) {
                if (!step.part().equals(part)) {
                    part = step.part();
                    sheet.heading(part);
                }
                sheet.keep(46);
                sheet.tick(step.title()
                        + (step.minutes() > 0 ? "   (" + step.minutes() + " min)" : "")
                        + (done.contains(step.id()) ? "   – done" : ""));
                sheet.small(step.say(), 20);
                if (step.hold() != null) {
                    sheet.bold("Hold: " + step.hold(), 20);
                }
                if (step.irreversible() != null) {
                    sheet.small("Cannot be undone: " + step.irreversible(), 20);
                }
                if (step.pause() != null) {
                    sheet.small(
                            "Wait: %s, %s."
                                    .formatted(
                                            step.pause().label(),
                                            length(step.pause().min())),
                            20);
                }
                asked(sheet, step.ask());
                step.cautions().stream().map(Caution::say).forEach(words -> sheet.small("! " + words, 20));
                step.branches()
                        .forEach(b -> sheet.small(
                                "If: %s – %s"
                                        .formatted(
                                                b.label(),
                                                b.stops()
                                                        ? b.atLimit()
                                                        : b.steps().getFirst().title()),
                                20));
                sheet.space(4);
            }
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The card could not be put on paper.", e);
        }
    }

    /** What is known of a machine, on one page. @param owed with their days */
    static byte[] passport(
            PDRectangle paper,
            Machines.Machine machine,
            Map<Fact, String> facts,
            Millilitres pad,
            @Nullable OutsideWaste outside,
            int lastSafe,
            boolean raised,
            String zoneDay,
            Function<Instant, String> day,
            List<Cards.Listed> cards,
            List<Owed.Task> owed,
            List<Passports.Document> documents,
            boolean keyKept) {
        try (var sheet =
                new Sheet(paper, "Fair Kettle   ·   %s   ·   passport   ·   %s".formatted(machine.name(), zoneDay))) {
            var profile = machine.profile();
            sheet.title("Passport: " + machine.name());
            sheet.text("%s, %s, on the %s. Serial number %s."
                    .formatted(
                            profile.name(),
                            profile.architecture().label(),
                            machine.benchName(),
                            or(machine.papers().serial(), "not written down")));
            sheet.text(
                    machine.holdings().values().stream().allMatch(h -> h instanceof Holding.NeverInked)
                            ? "Nothing was ever in it."
                            : "For %s and nothing else. Another purpose is a changeover.".formatted(machine.family()));
            sheet.heading("Slots");
            sheet.table(
                    List.of("slot", "colour", "holds", "first vessel, mL"),
                    profile.channels().stream()
                            .map(c -> List.of(
                                    c.code().code(),
                                    c.code().colour(),
                                    machine.holding(c.code()).label(),
                                    c.first().capacity().toString()))
                            .toList(),
                    0.12f,
                    0.25f,
                    0.4f,
                    0.23f);
            sheet.space(6);
            sheet.heading("The way of the ink");
            profile.channels().stream()
                    .collect(Collectors.groupingBy(
                            c -> c.path().stream()
                                    .collect(Collectors.toMap(
                                            v -> v.kind().label().toLowerCase(Locale.ROOT),
                                            v -> v.capacity().toString(),
                                            (one, other) -> one + " and " + other,
                                            LinkedHashMap::new)),
                            LinkedHashMap::new,
                            Collectors.mapping(c -> c.code().code(), Collectors.joining(" "))))
                    .forEach((path, codes) -> sheet.path(codes, path));
            sheet.heading("Fed, counted, warranted");
            sheet.text("%s; %s. Firmware %s; update reminders %s. Activation code %s."
                    .formatted(
                            machine.fit().feed().label(),
                            machine.fit().chips().label(),
                            or(machine.papers().firmware(), "not written down"),
                            machine.papers().remindersOff() ? "off" : "as the maker set them",
                            keyKept ? "in the vault" : "none kept"));
            sheet.text("Warranty %s. Signed off %s."
                    .formatted(
                            machine.warrantyEnded() == null
                                    ? "stands"
                                    : "ended on " + day.apply(machine.warrantyEnded()),
                            machine.signedOff() == null ? "never" : "on " + day.apply(machine.signedOff())));
            sheet.text("Waste by its own count: %s of %s mL.%s"
                    .formatted(
                            pad,
                            profile.padCapacity(),
                            outside == null
                                    ? ""
                                    : " Outside, since %s: %s mL. Its own count goes on: expect its box message although the box is dry."
                                            .formatted(day.apply(outside.since()), outside.volume())));
            if (raised) {
                sheet.text("Tanks: last height that stayed dry, %d mm above level.".formatted(lastSafe));
            }
            sheet.heading("To know");
            facts.forEach((fact, words) -> sheet.text(fact.label() + ": " + words));
            if (!machine.papers().notes().isBlank()) {
                sheet.text("Notes: " + machine.papers().notes());
            }
            if (!cards.isEmpty()) {
                sheet.heading("Changeovers");
                cards.forEach(c -> sheet.small(
                        "%s, %s, %s"
                                .formatted(
                                        day.apply(c.finishedAt() == null ? c.createdAt() : c.finishedAt()),
                                        c.title(),
                                        c.state()),
                        0));
            }
            if (!owed.isEmpty()) {
                sheet.heading("Owed");
                owed.forEach(t -> sheet.tick("%s, by %s: %s".formatted(t.words(), Days.said(t.due()), t.why())));
            }
            if (!documents.isEmpty()) {
                sheet.heading("Documents kept");
                documents.forEach(d -> sheet.small(d.name() + (d.link().isEmpty() ? "" : "   " + d.link()), 0));
            }
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The passport could not be put on paper.", e);
        }
    }

    private static void handover(Sheet sheet, Card card) {
        sheet.heading("As it stands");
        sheet.text(String.join(
                "   ",
                StageBoard.of(card).entrySet().stream()
                        .map(e -> e.getKey() + " " + e.getValue().label())
                        .toList()));
        var open = card.state().apart();
        sheet.text(open.isEmpty() ? "Nothing is open or off." : "Open or off: " + String.join(", ", open) + ".");
        card.runs().stream()
                .filter(r -> r.isOpen() && r.step().hold() != null)
                .findFirst()
                .ifPresent(r -> sheet.bold(
                        "Next hold, at “%s”: %s"
                                .formatted(r.step().title(), r.step().hold()),
                        0));
    }

    private static String or(String words, String otherwise) {
        return words.isBlank() ? otherwise : words;
    }

    private static String length(java.time.Duration wait) {
        return wait.toMinutes() < 2
                ? wait.toSeconds() + " s"
                : wait.toHours() >= 2 ? wait.toHours() + " h" : wait.toMinutes() + " min";
    }

    private static void asked(Sheet sheet, Ask ask) {
        switch (ask) {
            case Ask.Each(var question, var items, var answers, var _, var _) -> {
                sheet.small(question, 34);
                items.forEach(item -> sheet.small(
                        item + ":   "
                                + String.join(
                                        "   ",
                                        answers.stream().map(a -> "[  ] " + a).toList()),
                        34));
            }
            case Ask.Tally(var what, var parts, var _) ->
                sheet.small(
                        what + ":   "
                                + String.join(
                                        "   ",
                                        parts.stream().map(p -> p + " ____").toList()),
                        34);
            case Ask.Ticks(var items, var _) -> items.forEach(item -> sheet.item(34, item));
            case Ask.Count(var what, var expected) ->
                sheet.small("%s: ______ (%d expected)".formatted(what, expected), 34);
            case Ask.Words(var what) -> sheet.small(what + ": ______________________________", 34);
            case Ask.Choice(var question, var answers) ->
                sheet.small(
                        question + "   "
                                + String.join(
                                        "   ",
                                        answers.stream().map(a -> "[  ] " + a).toList()),
                        34);
            case Ask.Acknowledge(var words) -> sheet.small("[  ] " + words + "   Name, date: ____________________", 34);
            case Ask.Lots(var channels, var _) ->
                sheet.small(
                        "Code on each bottle:   "
                                + String.join(
                                        "   ",
                                        channels.stream()
                                                .map(c -> c + " ____________")
                                                .toList()),
                        34);
            case Ask.Grid(var channels, var columns)
            when columns.size() == 1 && ticked(columns.getFirst()) ->
                sheet.ticks(34, columns.getFirst().label() + ":", codes(channels));
            case Ask.Grid(var channels, var columns) -> {
                var rows = new LinkedHashMap<String, List<Sheet.Cell>>();
                for (int row = 0; row < channels.size(); row++) {
                    int at = row;
                    rows.put(
                            channels.get(row).code(),
                            columns.stream().map(column -> cell(column, at)).toList());
                }
                sheet.boxes(34, columns.stream().map(Ask.Column::label).toList(), rows);
            }
            case Ask.Comb(var channels, var nozzles) -> {
                sheet.small("Strike out what is missing:", 34);
                for (int i = 0; i < channels.size(); i++) {
                    sheet.comb(34, channels.get(i).code(), nozzles.get(i));
                }
            }
            case Ask.InOrder(var channels, var done) ->
                sheet.ticks(34, "In this order, %s:".formatted(done), codes(channels));
            case Ask.Picks(var patterns, var squares, var _) ->
                patterns.forEach(pattern -> sheet.small("%s: square ____ of %d".formatted(pattern, squares), 34));
            case Ask.Done _, Ask.Photo _, Ask.KeyStored _ -> {}
        }
    }

    private static List<String> codes(List<ChannelCode> channels) {
        return channels.stream().map(ChannelCode::code).toList();
    }

    private static boolean ticked(Ask.Column column) {
        return column.kind() == Ask.ColumnKind.TICK || column.kind() == Ask.ColumnKind.AIR;
    }

    private static Sheet.Cell cell(Ask.Column column, int row) {
        var expected = column.expected();
        if (!expected.isEmpty() && expected.get(row).isZero()) {
            return Sheet.Cell.NONE;
        }
        return switch (column.kind()) {
            case VOLUME -> new Sheet.Cell(78, "of " + expected.get(row) + " mL");
            case TOOL -> new Sheet.Cell(78, "no.");
            case CODE -> new Sheet.Cell(110, "");
            case AIR, TICK -> Sheet.Cell.tick();
        };
    }

    static byte[] shopping(PDRectangle paper, String machine, Plan plan, String printed) {
        try (var sheet = new Sheet(
                paper,
                "Fair Kettle   ·   %s   ·   %s   ·   %s"
                        .formatted(machine, plan.route().label(), printed))) {
            sheet.title("To buy and to lay out: " + machine);
            sheet.text("%s, from %s to %s. What is on the shelf is struck off."
                    .formatted(plan.route().label(), plan.from(), plan.to()));
            var lines = Shopping.of(plan);
            sheet.heading("To buy");
            var buy = lines.stream().filter(l -> l.buy() > 0).toList();
            if (buy.isEmpty()) {
                sheet.text("Nothing: everything is on the shelf.");
            }
            buy.forEach(l -> sheet.tick("%d × %s%s"
                    .formatted(
                            l.buy(), l.what(), l.price() == null || l.price().minor() == 0 ? "" : "   " + l.price())));
            sheet.heading("There already");
            lines.stream()
                    .filter(l -> l.onShelf() > 0)
                    .forEach(l -> sheet.tick("%d × %s".formatted(l.onShelf(), l.what())));
            sheet.heading("How much, slot by slot");
            sheet.table(
                    List.of("slot", "now", "then", "draw out", "rinse, mL", "new ink, mL", "sheets"),
                    plan.channels().stream().map(Papers::figures).toList(),
                    0.1f,
                    0.2f,
                    0.16f,
                    0.18f,
                    0.12f,
                    0.14f,
                    0.1f);
            sheet.space(6);
            sheet.text(
                    "Waste bottle with room for %s mL. Pad afterwards: %.0f %% full. Hands-on %d min, machine %d min, waits %d min. Cost %s."
                            .formatted(
                                    plan.wasteBottle(),
                                    plan.padAfter() * 100,
                                    plan.times().handsOn().toMinutes(),
                                    plan.times().machine().toMinutes(),
                                    plan.times().waiting().toMinutes(),
                                    plan.total()));
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The list could not be put on paper.", e);
        }
    }

    private static List<String> figures(ChannelPlan c) {
        return List.of(
                c.before().equals(c.code()) ? c.code().code() : c.before() + " to " + c.code(),
                c.from(),
                c.to(),
                c.pulls().label(),
                c.rinseLiquid().toString(),
                c.needed().toString(),
                String.valueOf(c.sheets()));
    }
}
