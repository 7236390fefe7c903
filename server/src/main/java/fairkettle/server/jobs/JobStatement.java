package fairkettle.server.jobs;

import fairkettle.ink.Money;
import fairkettle.server.papers.Sheet;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.ZoneOffset;
import java.util.Currency;
import java.util.List;
import java.util.Objects;

/** Closed jobs as a table and on paper. */
final class JobStatement {

    static final List<String> COLUMNS = List.of(
            "job",
            "closed",
            "customer",
            "what",
            "ink",
            "machine",
            "sheets",
            "ink_mL",
            "good",
            "spoiled",
            "sign",
            "press_C",
            "press_s",
            "minutes",
            "cost",
            "currency",
            "lots",
            "customer_said");

    private JobStatement() {}

    record Line(Job job, String machine) {}

    static List<Object> cells(Job job, String machine, Currency currency) {
        var came = Objects.requireNonNull(job.came());
        var press = job.order().press();
        return List.of(
                job.id(),
                came.at().toString(),
                job.order().customer(),
                job.order().what(),
                job.order().ink().label(),
                machine,
                sheets(job),
                "%.2f".formatted(mL(job)),
                came.good(),
                came.spoiled(),
                came.sign() == null ? "" : came.sign().label(),
                press == null ? "" : press.celsius(),
                press == null ? "" : press.seconds(),
                came.minutes(),
                new Money(came.cost(), currency).major(),
                currency.getCurrencyCode(),
                String.join("; ", came.lots()),
                came.said());
    }

    private static int sheets(Job job) {
        return job.prints().stream()
                .filter(p -> !p.test())
                .mapToInt(Job.Print::sheets)
                .sum();
    }

    private static double mL(Job job) {
        return job.prints().stream()
                .flatMap(p -> p.laid().stream())
                .mapToDouble(Job.Laid::mL)
                .sum();
    }

    static byte[] paper(String shop, String paper, Currency currency, List<Line> lines) {
        try (var sheet = new Sheet(Sheet.paper(paper), "%s   ·   jobs".formatted(shop))) {
            sheet.title("%s: what jobs came to".formatted(shop));
            if (lines.isEmpty()) {
                sheet.text("No job was closed.");
                return sheet.bytes();
            }
            sheet.table(
                    List.of("no.", "closed", "for", "what", "machine", "good", "spoiled", "mL", "min", "cost"),
                    lines.stream()
                            .map(l -> {
                                var came = Objects.requireNonNull(l.job().came());
                                return List.of(
                                        "" + l.job().id(),
                                        came.at()
                                                .atOffset(ZoneOffset.UTC)
                                                .toLocalDate()
                                                .toString(),
                                        l.job().order().customer(),
                                        l.job().order().what(),
                                        l.machine(),
                                        "" + came.good(),
                                        "" + came.spoiled(),
                                        "%.1f".formatted(mL(l.job())),
                                        "" + came.minutes(),
                                        new Money(came.cost(), currency).toString());
                            })
                            .toList(),
                    .5f,
                    1.1f,
                    1.6f,
                    1.8f,
                    1f,
                    .6f,
                    .8f,
                    .7f,
                    .6f,
                    1.1f);
            sheet.space(8);
            long sum = lines.stream()
                    .mapToLong(l -> Objects.requireNonNull(l.job().came()).cost())
                    .sum();
            sheet.bold("In all %d jobs: %s".formatted(lines.size(), new Money(sum, currency)), 0);
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The statement could not be put on paper.", e);
        }
    }
}
