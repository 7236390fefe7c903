package fairkettle.server.demo;

import fairkettle.ink.Family;
import fairkettle.job.Piece.Turning;
import fairkettle.job.PressLine;
import fairkettle.job.PressLine.Heat;
import fairkettle.job.Sign;
import fairkettle.job.Substrate;
import fairkettle.server.jobs.Artworks;
import fairkettle.server.jobs.Job;
import fairkettle.server.jobs.JobService;
import fairkettle.server.pictures.Pictures;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.function.Consumer;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** What Quillmere Rosettes has in its order book: one job that is done, three that wait, and one that was refused. */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoJobs {

    private static final int SIZE = 720; // pixels
    private static final Color NAVY = new Color(34, 58, 120);
    private static final Color BRICK = new Color(178, 58, 40);
    private static final Color STRAW = new Color(240, 196, 84);

    private final JobService jobs;
    private final Artworks artworks;
    private final Pictures pictures;
    private final Clock clock;

    DemoJobs(JobService jobs, Artworks artworks, Pictures pictures, Clock clock) {
        this.jobs = jobs;
        this.artworks = artworks;
        this.pictures = pictures;
        this.clock = clock;
    }

    void fill(long bramble, long clover) {
        long rosette = art("rosette, first prize", this::rosette);
        long crest = art("club crest", this::crest);
        long flower = art("biscuit flower", this::flower);
        done(bramble, rosette);
        jobs.take(order(
                "Marsh Lane Pony Club",
                "rosettes, first prize",
                Family.SUBLIMATION,
                Substrate.SATIN_RIBBON,
                List.of(
                        new Job.Pieces("centre", 580, 580, 24, Turning.FREE, rosette),
                        new Job.Pieces("tail", 400, 1500, 24, Turning.ALONG, null)),
                "A4",
                Duration.ofHours(27),
                "Sash, 10 cm satin",
                new Heat(190, 45),
                null,
                35));
        jobs.take(order(
                "Quillmere Harriers",
                "club kit",
                Family.FILM,
                Substrate.POLYESTER_MIX,
                List.of(
                        new Job.Pieces("chest", 900, 900, 14, Turning.FREE, crest),
                        new Job.Pieces("back", 2400, 2400, 14, Turning.FREE, crest)),
                "film roll, 33 cm",
                Duration.ofDays(3),
                "Club shirt, chest",
                new Heat(150, 12),
                new Heat(110, 150),
                420));
        long toppers = jobs.take(order(
                "Dockside Bakery",
                "biscuit toppers",
                Family.EDIBLE,
                Substrate.ICING_SHEET,
                List.of(new Job.Pieces("flower", 500, 500, 60, Turning.FREE, flower)),
                "A4",
                Duration.ofHours(29),
                "",
                null,
                null,
                0));
        jobs.choose(toppers, clover, true);
        jobs.take(order(
                "Harbour Choir",
                "shirts for the autumn concert",
                Family.SUBLIMATION,
                Substrate.COTTON,
                List.of(new Job.Pieces("front", 2000, 2500, 18, Turning.UPRIGHT, null)),
                "A4",
                Duration.ofDays(6),
                "",
                new Heat(200, 45),
                null,
                300));
    }

    /** From the order to what came of it, with a reason for what was left out. */
    private void done(long bramble, long rosette) {
        long id = jobs.take(order(
                "Low Meadow Show",
                "rosettes, first prize",
                Family.SUBLIMATION,
                Substrate.SATIN_RIBBON,
                List.of(new Job.Pieces("centre", 580, 580, 12, Turning.FREE, rosette)),
                "A4",
                Duration.ofHours(5),
                "Sash, 10 cm satin",
                new Heat(190, 45),
                null,
                35));
        jobs.choose(id, bramble, true);
        jobs.out(jobs.sheet(
                id,
                new JobService.Wish(
                        "Bramble", 0, 1, false, true, "a second set for the judge, gaps do not show", false)));
        jobs.pressed(id, PressLine.CUT, true);
        jobs.pressed(id, PressLine.PRESS, true);
        jobs.looked(id, 3, true);
        jobs.picture(id, false, pictures.receive(png(this::dull)));
        jobs.picture(id, true, pictures.receive(png(on -> {
            on.setColor(Color.WHITE);
            on.fillRect(0, 0, SIZE, SIZE);
            rosette(on);
        })));
        jobs.close(
                id,
                new JobService.Ending(
                        11, 1, Sign.PRESS, "one moved under the press: a ghost", "the reds are lovely", 35));
    }

    private Job.Order order(
            String customer,
            String what,
            Family ink,
            Substrate on,
            List<Job.Pieces> pieces,
            String media,
            Duration until,
            String preset,
            @Nullable Heat press,
            @Nullable Heat cure,
            long blank) {
        return new Job.Order(
                customer,
                what,
                ink,
                on,
                false,
                false,
                pieces,
                media,
                40,
                clock.instant().plus(until).truncatedTo(ChronoUnit.HOURS),
                "",
                preset,
                press,
                cure,
                blank,
                0);
    }

    private long art(String name, Consumer<Graphics2D> drawing) {
        return artworks.keep(artworks.receive(png(drawing)), name);
    }

    private static byte[] png(Consumer<Graphics2D> drawing) {
        var image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_ARGB);
        var on = image.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        drawing.accept(on);
        on.dispose();
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private void rosette(Graphics2D on) {
        petals(on, 16, 340, BRICK);
        petals(on, 16, 280, STRAW);
        circle(on, 200, NAVY);
        circle(on, 178, Color.WHITE);
        on.setColor(NAVY);
        star(on, 130, 56);
    }

    /** The same before the press: the dye shows its colour only with heat. */
    private void dull(Graphics2D on) {
        on.setColor(Color.WHITE);
        on.fillRect(0, 0, SIZE, SIZE);
        petals(on, 16, 340, new Color(150, 112, 108));
        petals(on, 16, 280, new Color(186, 176, 150));
        circle(on, 200, new Color(98, 104, 126));
        circle(on, 178, Color.WHITE);
        on.setColor(new Color(98, 104, 126));
        star(on, 130, 56);
    }

    private void crest(Graphics2D on) {
        on.setColor(NAVY);
        on.fill(new RoundRectangle2D.Double(110, 60, 500, 600, 240, 240));
        on.setColor(STRAW);
        on.setStroke(new BasicStroke(26));
        on.draw(new RoundRectangle2D.Double(150, 100, 420, 520, 200, 200));
        for (int i = 0; i < 3; i++) {
            on.drawArc(220, 210 + 110 * i, 280, 120, 20, 140);
        }
    }

    private void flower(Graphics2D on) {
        petals(on, 7, 330, new Color(226, 130, 160));
        circle(on, 120, STRAW);
    }

    private static void petals(Graphics2D on, int count, double reach, Color colour) {
        on.setColor(colour);
        double size = 2.6 * reach / count + 60;
        for (int i = 0; i < count; i++) {
            double turn = 2 * Math.PI * i / count;
            double x = SIZE / 2.0 + Math.cos(turn) * (reach - size / 2);
            double y = SIZE / 2.0 + Math.sin(turn) * (reach - size / 2);
            on.fill(new Ellipse2D.Double(x - size / 2, y - size / 2, size, size));
        }
        circle(on, reach - size / 2, colour);
    }

    private static void circle(Graphics2D on, double radius, Color colour) {
        on.setColor(colour);
        on.fill(new Ellipse2D.Double(SIZE / 2.0 - radius, SIZE / 2.0 - radius, 2 * radius, 2 * radius));
    }

    private static void star(Graphics2D on, double outer, double inner) {
        var path = new Path2D.Double();
        for (int i = 0; i < 10; i++) {
            double turn = Math.PI * i / 5 - Math.PI / 2;
            double r = i % 2 == 0 ? outer : inner;
            double x = SIZE / 2.0 + Math.cos(turn) * r;
            double y = SIZE / 2.0 + Math.sin(turn) * r;
            if (i == 0) {
                path.moveTo(x, y);
            } else {
                path.lineTo(x, y);
            }
        }
        path.closePath();
        on.fill(path);
    }
}
