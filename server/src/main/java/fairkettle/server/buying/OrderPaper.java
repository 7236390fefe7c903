package fairkettle.server.buying;

import fairkettle.ink.Money;
import fairkettle.server.papers.Sheet;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Currency;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** An order as a page that can be sent or read out over the telephone. */
final class OrderPaper {

    private OrderPaper() {}

    static byte[] pdf(Purchases.Purchase order, String shop, String day, Currency currency, PDRectangle paper) {
        try (var sheet = new Sheet(paper, "%s   ·   order no. %d   ·   %s".formatted(shop, order.id(), day))) {
            sheet.title("Order no. %d to %s".formatted(order.id(), order.name()));
            sheet.text("%s, %s".formatted(shop, day));
            sheet.space(10);
            order.lines()
                    .forEach(line -> sheet.tick("%d × %s   ·   %s"
                            .formatted(line.count(), line.name(), new Money(line.price(), currency))));
            sheet.space(8);
            sheet.text("Postage: " + new Money(order.postage(), currency));
            sheet.bold("In all: " + new Money(order.total(), currency), 0);
            return sheet.bytes();
        } catch (IOException e) {
            throw new UncheckedIOException("The order could not be put on paper.", e);
        }
    }
}
