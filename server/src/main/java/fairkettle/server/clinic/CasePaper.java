package fairkettle.server.clinic;

import fairkettle.clinic.Evidence;
import fairkettle.server.clinic.CaseBook.Kept;
import fairkettle.server.clinic.ClinicController.CaseJson;
import fairkettle.server.papers.Sheet;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * A case on paper, for whoever it is handed over to: what was seen, what was tried with what result, what it cost, what
 * is believed.
 */
final class CasePaper {

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);

    private CasePaper() {}

    static byte[] of(PDRectangle paper, Kept kept, CaseJson told, ZoneId zone) {
        try (var sheet = new Sheet(paper, "Fair Kettle   ·   %s   ·   case %d".formatted(told.name(), told.id()))) {
            sheet.title("Case %d: %s".formatted(told.id(), told.name()));
            sheet.text("%s. %s, good for %s. Opened %s by %s%s."
                    .formatted(
                            String.join(", ", told.complaints()),
                            told.family(),
                            told.work(),
                            when(told.openedAt(), zone),
                            told.openedBy(),
                            told.endedAt() == null
                                    ? ""
                                    : "; ended %s: %s"
                                            .formatted(
                                                    when(told.endedAt(), zone),
                                                    String.valueOf(told.ending())
                                                            .toLowerCase(Locale.ROOT)
                                                            .replace('_', ' '))));
            if (!told.words().isBlank()) {
                sheet.text("“" + told.words() + "”");
            }
            if (!told.endingWords().isBlank()) {
                sheet.text(told.endingWords());
            }
            sheet.heading("Spent");
            sheet.text(
                    "%.1f mL of ink, %.1f mL of it into the pad; %.0f min of hands; %.1f h since it was opened; %.2f in all."
                            .formatted(
                                    told.spent().mL(),
                                    told.spent().padML(),
                                    told.spent().hands(),
                                    told.spent().hours(),
                                    told.spent().money()));
            sheet.heading("Channels at the last check");
            sheet.table(
                    List.of("channel", "missing", "of", "forgiven"),
                    told.channels().stream()
                            .map(c -> List.of(
                                    c.channel(),
                                    String.valueOf(c.gaps()),
                                    String.valueOf(c.strokes()),
                                    String.valueOf(c.tolerated())))
                            .toList(),
                    .25f,
                    .25f,
                    .25f,
                    .25f);
            sheet.space(6);
            sheet.heading("Tried");
            for (var t : told.tried()) {
                sheet.text("%s   %s%s: %s   (%s)"
                        .formatted(
                                when(t.at(), zone),
                                t.what(),
                                t.channels().isEmpty() ? "" : ", " + String.join(" ", t.channels()),
                                t.result() == null ? "not looked at" : t.result(),
                                t.by()));
            }
            if (told.tried().isEmpty()) {
                sheet.text("Nothing yet.");
            }
            sheet.heading("Checks");
            kept.file().evidence().stream()
                    .filter(d -> d.evidence() instanceof Evidence.Look)
                    .forEach(d -> {
                        var missing = ((Evidence.Look) d.evidence()).missing();
                        sheet.small(
                                "%s   %s"
                                        .formatted(
                                                when(d.at(), zone),
                                                missing.entrySet().stream()
                                                        .sorted(Map.Entry.comparingByKey())
                                                        .map(e -> "%s: %s"
                                                                .formatted(
                                                                        e.getKey(),
                                                                        e.getValue()
                                                                                        .isEmpty()
                                                                                ? "whole"
                                                                                : e.getValue()
                                                                                                .size() + " missing"))
                                                        .collect(Collectors.joining(", "))),
                                0);
                    });
            if (!told.findings().isEmpty()) {
                sheet.heading("Believed");
                told.findings()
                        .forEach(f -> sheet.text("%s%s: %.0f %%, %s"
                                .formatted(
                                        f.label(),
                                        f.channels().isEmpty() ? "" : ", " + String.join(" ", f.channels()),
                                        f.share() * 100,
                                        f.band())));
            }
            if (told.advice() != null) {
                sheet.heading("Next");
                sheet.bold(told.advice().title(), 0);
                sheet.text(told.advice().say());
            }
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The case could not be put on paper.", e);
        }
    }

    private static String when(Instant at, ZoneId zone) {
        return WHEN.format(at.atZone(zone));
    }
}
