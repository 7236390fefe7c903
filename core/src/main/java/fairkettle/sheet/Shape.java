package fairkettle.sheet;

import fairkettle.ink.ChannelCode;
import java.util.List;

/** Something on a page. Lengths are mm from its top left corner. */
public sealed interface Shape {

    record Box(double x, double y, double width, double height, Ink ink) implements Shape {}

    record Dot(double x, double y, double diameter) implements Shape {}

    /** @param side of the square */
    record Code(double x, double y, double side, String text) implements Shape {}

    /** A filled outline through these points, x and y in turn. */
    record Outline(List<Double> points, Ink ink) implements Shape {
        public Outline {
            points = List.copyOf(points);
        }
    }

    /** @param size height of its capitals, mm; @param mirrored written right to left, for what is pressed */
    record Words(double x, double y, double size, String words, boolean mirrored) implements Shape {}

    /** A frame that nothing may cover. */
    record Window(double x, double y, double width, double height) implements Shape {}

    /** What it is drawn with. */
    sealed interface Ink {

        Ink BLACK = new Rgb(0, 0, 0);

        /** As a driver separates it; 0 to 1 each. */
        record Rgb(double red, double green, double blue) implements Ink {}

        /** A spot colour of the channel’s name. @param amount 0 to 1 */
        record Spot(ChannelCode channel, double amount) implements Ink {}
    }

    /** The ink of one channel alone. @param amount 0 to 1 */
    static Ink alone(ChannelCode channel, Addressing by, double amount) {
        if (by == Addressing.RIP) {
            return new Ink.Spot(channel, amount);
        }
        return switch (channel.code()) {
            case "C" -> new Ink.Rgb(1 - amount, 1, 1);
            case "M" -> new Ink.Rgb(1, 1 - amount, 1);
            case "Y" -> new Ink.Rgb(1, 1, 1 - amount);
            case "K" -> new Ink.Rgb(1 - amount, 1 - amount, 1 - amount);
            default -> throw new IllegalArgumentException("No page lays down %s alone.".formatted(channel));
        };
    }
}
