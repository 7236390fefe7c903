package fairkettle.server.books;

import fairkettle.books.Statement;
import fairkettle.server.papers.Sheet;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A month's statement as a page to file. */
final class StatementPaper {

    private StatementPaper() {}

    static byte[] pdf(Statement statement, String shop, String month, PDRectangle paper) {
        try (var sheet = new Sheet(paper, "%s   ·   what %s cost".formatted(shop, month))) {
            sheet.title("%s: what %s cost".formatted(shop, month));
            statement
                    .lines()
                    .forEach(l ->
                            sheet.text("%s, %.1f %s: %s".formatted(l.part().label(), l.amount(), l.unit(), l.cost())));
            sheet.space(8);
            sheet.bold("In all: " + statement.total(), 0);
            var taxed = statement.taxed();
            if (taxed != null) {
                sheet.text("Material without tax %s, tax %s, with tax %s."
                        .formatted(taxed.net(), taxed.tax(), taxed.gross()));
            }
            var each = statement.perSheet();
            sheet.text(
                    each == null
                            ? "No sheet was printed for a customer."
                            : "%d sheets for customers, %s each with all that kept the machines alive."
                                    .formatted(statement.sheets(), each));
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The statement could not be put on paper.", e);
        }
    }
}
