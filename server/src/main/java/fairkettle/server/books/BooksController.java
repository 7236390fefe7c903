package fairkettle.server.books;

import fairkettle.books.Cause;
import fairkettle.books.Clogging;
import fairkettle.books.InkBook;
import fairkettle.books.Statement;
import fairkettle.books.Worth;
import fairkettle.server.books.Books.By;
import fairkettle.server.papers.Sheet;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.CsvFile;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BooksController {

    private static final int MOST_MONTHS = 120;

    private final Books books;
    private final Statements statements;
    private final Recall recall;
    private final Worths worths;
    private final Cloggings cloggings;
    private final Shop shop;
    private final Clock clock;

    BooksController(
            Books books,
            Statements statements,
            Recall recall,
            Worths worths,
            Cloggings cloggings,
            Shop shop,
            Clock clock) {
        this.worths = worths;
        this.cloggings = cloggings;
        this.statements = statements;
        this.books = books;
        this.recall = recall;
        this.shop = shop;
        this.clock = clock;
    }

    record CauseJson(Cause cause, String label, boolean comesIn) {}

    /** @param mL by cause, what left; what came in is below nothing; @param cost of what left, in minor units */
    record FlowJson(String name, Map<Cause, Double> mL, double gone, long cost) {}

    /** @param before mL in bottles and machines when the time began; before + came − gone = after */
    record StockJson(
            String ink, double before, double came, double gone, double after, Map<Cause, Double> mL, long cost) {}

    /**
     * @param thisMonth by the shop’s clock
     * @param causes those that occur, in their order; @param first the first month of which anything is known
     * @param stock empty if only one machine is asked for
     */
    record BooksJson(
            YearMonth from,
            YearMonth to,
            YearMonth thisMonth,
            @Nullable YearMonth first,
            List<CauseJson> causes,
            List<StockJson> stock,
            List<FlowJson> months,
            List<FlowJson> machines,
            List<FlowJson> people,
            List<FlowJson> jobs,
            long cost) {}

    /** Where ink and fluid went, month by month. @param from the first month; by default three with the last */
    @GetMapping("/api/books")
    BooksJson books(
            @RequestParam(required = false) @Nullable YearMonth from,
            @RequestParam(required = false) @Nullable YearMonth to,
            @RequestParam(required = false) @Nullable Long machine) {
        var told = told(from, to, machine);
        var causes = EnumSet.noneOf(Cause.class);
        told.stock().forEach(s -> causes.addAll(s.line().microlitres().keySet()));
        return new BooksJson(
                told.from(),
                told.to(),
                thisMonth(),
                told.first(),
                causes.stream()
                        .map(c -> new CauseJson(c, c.label(), c.comesIn()))
                        .toList(),
                told.stock().stream().map(BooksController::stock).toList(),
                flows(told, By.MONTH),
                flows(told, By.MACHINE),
                flows(told, By.PERSON),
                flows(told, By.JOB),
                told.by(By.MONTH).stream()
                        .mapToLong(line -> line.cost().minor())
                        .sum());
    }

    /**
     * All money in minor units, of the last ninety days.
     *
     * @param saved that a sheet is dearer when it is ordered; {@code earns} on a day, if the shop said so
     * @param hands of upkeep; {@code ink} that was not sold
     */
    record WorthJson(
            long machine,
            String name,
            int sheets,
            long saved,
            @Nullable Long earns,
            long brought,
            long hands,
            long ink,
            long parts,
            Worth.Verdict verdict,
            String words,
            List<String> reasons) {}

    /** Which machines are worth keeping, by the last ninety days. */
    @GetMapping("/api/books/worth")
    List<WorthJson> worthKeeping() {
        return worths.all().stream()
                .map(w -> new WorthJson(
                        w.machine(),
                        w.name(),
                        w.seen().sheets(),
                        Math.max(0, w.seen().saved()),
                        w.seen().earns(),
                        w.worth().brought().minor(),
                        w.seen().hands(),
                        w.seen().ink(),
                        w.seen().parts(),
                        w.worth().verdict(),
                        w.worth().verdict().words(),
                        w.worth().reasons()))
                .toList();
    }

    /** @param share of checks with something newly missing; {@code each} new gaps a check */
    record CloggingGroupJson(String label, int looks, int struck, double share, double each) {}

    record CloggingJson(List<CloggingGroupJson> byIdleness, List<CloggingGroupJson> byDryness) {}

    /** What was newly missing at checks of the last year, by the idle days and the air before them. */
    @GetMapping("/api/books/clogging")
    CloggingJson clogging() {
        var looks = cloggings.looks();
        return new CloggingJson(groups(Clogging.byIdleness(looks)), groups(Clogging.byDryness(looks)));
    }

    private static List<CloggingGroupJson> groups(List<Clogging.Group> groups) {
        return groups.stream()
                .map(g -> new CloggingGroupJson(g.label(), g.looks(), g.struck(), g.share(), g.each()))
                .toList();
    }

    /** The same as a table. */
    @GetMapping("/api/books/clogging.csv")
    ResponseEntity<Resource> cloggingAsTable() {
        var looks = cloggings.looks();
        return CsvFile.download(
                "clogging.csv", List.of("by", "group", "checks", "with new gaps", "new gaps a check"), file -> {
                    Clogging.byIdleness(looks)
                            .forEach(g -> file.line("idle days", g.label(), g.looks(), g.struck(), g.each()));
                    Clogging.byDryness(looks)
                            .forEach(g -> file.line("air", g.label(), g.looks(), g.struck(), g.each()));
                });
    }

    /** The same as a table: a line for each ink, machine, month, person and job. */
    @GetMapping("/api/books.csv")
    ResponseEntity<Resource> booksAsTable(
            @RequestParam(required = false) @Nullable YearMonth from,
            @RequestParam(required = false) @Nullable YearMonth to,
            @RequestParam(required = false) @Nullable Long machine) {
        var told = told(from, to, machine);
        var columns = new ArrayList<>(List.of("by", "name", "before mL", "after mL"));
        Arrays.stream(Cause.values()).forEach(c -> columns.add(c.label() + " mL"));
        columns.add("cost " + shop.settings().currency());
        return CsvFile.download("where-it-went-%s-%s.csv".formatted(told.from(), told.to()), columns, file -> {
            told.stock().forEach(s -> line(file, "ink", s.what(), s.before(), s.after(), s.line()));
            for (var by : List.of(By.MONTH, By.MACHINE, By.PERSON, By.JOB)) {
                told.by(by)
                        .forEach(l ->
                                line(file, by.name().toLowerCase(java.util.Locale.ROOT), l.group(), null, null, l));
            }
        });
    }

    /** @param amount mL, pieces or minutes, as {@code unit} says; @param cost in minor units */
    record StatementLineJson(Statement.Part part, String label, double amount, String unit, long cost) {}

    /**
     * Money in minor units. @param material everything but hands; {@code net} and the rest null where no tax is shown
     */
    record StatementJson(
            YearMonth month,
            YearMonth thisMonth,
            @Nullable YearMonth first,
            List<StatementLineJson> lines,
            long total,
            long material,
            @Nullable Double taxPercent,
            @Nullable Long net,
            @Nullable Long tax,
            @Nullable Long gross,
            int sheets,
            @Nullable Long perSheet) {}

    /** What a month cost. @param month by default this one */
    @GetMapping("/api/books/statement")
    StatementJson statement(@RequestParam(required = false) @Nullable YearMonth month) {
        var which = month == null ? thisMonth() : month;
        var statement = statements.of(which);
        var taxed = statement.taxed();
        var tax = statement.tax();
        var perSheet = statement.perSheet();
        return new StatementJson(
                which,
                thisMonth(),
                books.first(),
                statement.lines().stream()
                        .map(l -> new StatementLineJson(
                                l.part(),
                                l.part().label(),
                                l.amount(),
                                l.unit(),
                                l.cost().minor()))
                        .toList(),
                statement.total().minor(),
                statement.material().minor(),
                tax == null ? null : tax.percent(),
                taxed == null ? null : taxed.net().minor(),
                taxed == null ? null : taxed.tax().minor(),
                taxed == null ? null : taxed.gross().minor(),
                statement.sheets(),
                perSheet == null ? null : perSheet.minor());
    }

    /** The same as a table. */
    @GetMapping("/api/books/statement.csv")
    ResponseEntity<Resource> statementAsTable(@RequestParam(required = false) @Nullable YearMonth month) {
        var which = month == null ? thisMonth() : month;
        var statement = statements.of(which);
        return CsvFile.download(
                "month-%s.csv".formatted(which),
                List.of("what", "amount", "unit", "cost " + shop.settings().currency()),
                file -> {
                    statement
                            .lines()
                            .forEach(l -> file.line(
                                    l.part().label(),
                                    l.amount(),
                                    l.unit(),
                                    l.cost().major()));
                    file.line("in all", null, null, statement.total().major());
                });
    }

    /** The same as a page. */
    @GetMapping("/api/books/statement.pdf")
    ResponseEntity<byte[]> statementOnPaper(
            @RequestParam(required = false) @Nullable YearMonth month,
            @RequestParam(defaultValue = "a4") String paper) {
        var which = month == null ? thisMonth() : month;
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("month-%s.pdf".formatted(which))
                                .build()
                                .toString())
                .body(StatementPaper.pdf(
                        statements.of(which), shop.settings().name(), which.toString(), Sheet.paper(paper)));
    }

    private YearMonth thisMonth() {
        return YearMonth.now(clock.withZone(shop.settings().zoneId()));
    }

    private static void line(
            CsvFile file, String by, String name, @Nullable Long before, @Nullable Long after, InkBook.Line line) {
        var cells = new ArrayList<@Nullable Object>();
        cells.add(by);
        cells.add(name);
        cells.add(before == null ? null : mL(before));
        cells.add(after == null ? null : mL(after));
        for (var cause : Cause.values()) {
            cells.add(mL(line.microlitres().getOrDefault(cause, 0L)));
        }
        cells.add(line.cost().major());
        file.line(cells.toArray());
    }

    private Books.Told told(@Nullable YearMonth from, @Nullable YearMonth to, @Nullable Long machine) {
        var last = to == null ? thisMonth() : to;
        var begin = from == null ? last.minusMonths(2) : from;
        if (begin.isAfter(last)) {
            throw Problem.atField("from", "The first month comes after the last.");
        }
        if (begin.plusMonths(MOST_MONTHS).isBefore(last)) {
            throw Problem.atField("from", "At most ten years at once.");
        }
        return books.told(begin, last, machine);
    }

    private static StockJson stock(Books.Stock s) {
        return new StockJson(
                s.what(),
                mL(s.before()),
                mL(s.line().came()),
                mL(s.line().gone()),
                mL(s.after()),
                byCause(s.line()),
                s.line().cost().minor());
    }

    private static List<FlowJson> flows(Books.Told told, By by) {
        return told.by(by).stream()
                .map(l -> new FlowJson(
                        l.group(), byCause(l), mL(l.gone()), l.cost().minor()))
                .toList();
    }

    private static Map<Cause, Double> byCause(InkBook.Line line) {
        return line.microlitres().entrySet().stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> mL(e.getValue())));
    }

    private static double mL(long microlitres) {
        return microlitres / 1000.0;
    }

    /** Every machine, channel and print that a bottle reached, and what is left of it. */
    @GetMapping("/api/shelf/lots/{lot}/recall")
    Recall.BottleWay recall(@PathVariable long lot) {
        return recall.bottle(lot);
    }

    /** Every bottle that a machine ever drank from. */
    @GetMapping("/api/machines/{machine}/bottles")
    List<Recall.Drunk> bottlesOf(@PathVariable long machine) {
        return recall.ofMachine(machine);
    }
}
