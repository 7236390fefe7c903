package fairkettle.measure;

import fairkettle.check.Look;
import fairkettle.imaging.Photo;
import fairkettle.imaging.SheetReader;
import fairkettle.imaging.SheetReader.Result;
import fairkettle.measure.pictures.Scene.Trouble;
import fairkettle.measure.pictures.Specimen;
import fairkettle.measure.pictures.Specimen.Seen;
import fairkettle.measure.pictures.Specimen.Trap;
import fairkettle.sheet.SheetKind;
import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import javax.imageio.ImageIO;

/**
 * {@code ./kettle measure reader}: pictures of sheets with known faults, read and held against the truth; then traps,
 * that must not be believed; then the time against merely decoding the same file.
 */
public final class Reader {

    private static final double[] SIZES = {3, 5, 5, 8, 8, 12, 12, 12};
    private static final double[] BIG = {5, 8, 12, 12, 16, 24};
    private static final Set<Trap> NEVER =
            EnumSet.of(Trap.EMPTY, Trap.TWO_COPIES, Trap.OLD, Trap.FOREIGN, Trap.OTHER_KIND);

    private int scanTrue;
    private int scanFound;
    private int scanCalled;
    private int photoTrue;
    private int photoFound;
    private int photoCalled;
    private int bentTrue;
    private int bentFound;
    private int refused;
    private int ordinary;
    private int silent;
    private int fine;
    private int fineUnreadable;
    private int trapsMissed;
    private int traps;
    private int reasons;
    private int wrongReasons;
    private final Map<Trouble, Group> groups = new TreeMap<>();
    private final List<Double> fades = new ArrayList<>();
    private final List<Double> foreign = new ArrayList<>();
    private final List<Double> times = new ArrayList<>();
    private final List<Double> ratios = new ArrayList<>();
    private final boolean talk = Boolean.getBoolean("talk");

    private Reader() {}

    /** What was read of pictures with one kind of trouble, channel by channel; what was not seen does not count. */
    private static final class Group {
        int pictures;
        int refused;
        int channels;
        int unreadable;
        int gone;
        int found;
        int called;
        int silent;
    }

    public static void main(String[] args) throws Exception {
        long seed = Long.getLong("seed", 410_263);
        int count = Integer.getInteger("pictures", 400);
        new Reader().run(seed, count);
    }

    private void run(long seed, int count) throws Exception {
        for (int i = 0; i < count; i++) {
            boolean scan = i % 3 == 0;
            var kind = i % 10 == 9 ? SheetKind.DARK_FRAME : i % 4 == 3 ? SheetKind.HEALTH : SheetKind.FRAME;
            ordinary(Specimen.of(
                    seed + i, Trap.NONE, kind, scan, kind == SheetKind.HEALTH ? 12 : SIZES[(i / 3) % SIZES.length]));
        }
        for (var trap : Trap.values()) {
            for (int i = 0; i < Math.max(2, count / 50) && trap != Trap.NONE; i++) {
                trap(Specimen.of(
                        seed + 100_000 + 100 * trap.ordinal() + i,
                        trap,
                        SheetKind.FRAME,
                        i % 4 == 3 && trap != Trap.TINY && trap != Trap.BLURRED,
                        8));
            }
        }
        var troubles = Trouble.values();
        for (int i = 0; i < Integer.getInteger("troubled", count); i++) {
            var trouble = troubles[1 + i % (troubles.length - 1)];
            var kind = i / troubles.length % 2 == 0 ? SheetKind.HEALTH : SheetKind.FRAME;
            double megapixels = trouble == Trouble.NONE ? 8 : BIG[i / 3 % BIG.length];
            troubled(Specimen.of(seed + 500_000 + i, Trap.NONE, trouble, kind, false, megapixels));
        }
        groups.forEach((trouble, g) -> System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"reader\",\"trouble\":\"%s\",\"pictures\":%d,\"recall\":%.4f,\"precision\":%.4f,\"refused\":%.4f,\"channels_unreadable\":%.4f,\"silently_wrong\":%d}%n",
                trouble.name().toLowerCase(Locale.ROOT),
                g.pictures,
                share(g.found, g.gone),
                share(g.found, g.called),
                share(g.refused, g.pictures),
                share(g.unreadable, g.channels),
                g.silent));
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"reader\",\"pictures\":%d,\"scan_recall\":%.5f,\"scan_precision\":%.5f,\"photo_recall\":%.5f,\"photo_precision\":%.5f,\"bent_recall\":%.4f,\"fade_p95\":%.4f,\"foreign_share_p95\":%.4f,"
                    + "\"refused\":%.4f,\"unreadable_8px\":%.4f,\"silently_wrong\":%d,\"traps\":%d,\"traps_missed\":%d,\"wrong_reason\":%.4f,\"ms_12mpx_p95\":%.0f,\"ratio_12mpx\":%.2f,\"heap_mb\":%d}%n",
                ordinary,
                share(scanFound, scanTrue),
                share(scanFound, scanCalled),
                share(photoFound, photoTrue),
                share(photoFound, photoCalled),
                share(bentFound, bentTrue),
                p95(fades),
                p95(foreign),
                share(refused, ordinary),
                share(fineUnreadable, fine),
                silent,
                traps,
                trapsMissed,
                share(wrongReasons, Math.max(1, reasons)),
                p95(times),
                median(ratios),
                heap());
    }

    private void ordinary(Specimen s) throws Exception {
        ordinary++;
        var result = timed(s);
        if (result instanceof Result.Read read) {
            judge(s, read);
        } else if (result instanceof Result.Unread unread) {
            refused++;
            say(s, "refused: " + unread.why());
        }
    }

    private Result timed(Specimen s) throws Exception {
        boolean large = s.megapixels() >= 12 && !s.scan() && s.kind().frame();
        for (int warm = 0; large && times.isEmpty() && warm < 4; warm++) {
            read(s);
            ImageIO.read(new ByteArrayInputStream(s.file()));
        }
        long start = System.nanoTime();
        var result = read(s);
        double took = (System.nanoTime() - start) / 1e6;
        if (large) {
            start = System.nanoTime();
            ImageIO.read(new ByteArrayInputStream(s.file()));
            double decoding = (System.nanoTime() - start) / 1e6;
            times.add(took);
            ratios.add(took / decoding);
        }
        return result;
    }

    /** What was read of the specimen's own sheet; what of others does not matter, but that it was read. */
    private static Result read(Specimen s) throws Photo.Refused {
        var results = SheetReader.read(Photo.decode(s.file()), s::lookup);
        if (s.trap() == Trap.TWO_SHEETS && results.size() < 2) {
            return new Result.Unread(Optional.empty(), "Of two sheets one was found.");
        }
        return results.stream()
                .filter(r -> r instanceof Result.Read read
                        && read.code().filter(c -> c.sheet() == s.sheet()).isPresent())
                .findFirst()
                .orElse(results.getFirst());
    }

    private void troubled(Specimen s) throws Exception {
        var group = groups.computeIfAbsent(s.trouble(), _ -> new Group());
        group.pictures++;
        switch (read(s)) {
            case Result.Unread(var _, var why) -> {
                group.refused++;
                say(s, s.trouble() + " refused: " + why);
            }
            case Result.Read read -> {
                boolean silent = false;
                for (var look : read.looks()) {
                    var truth = s.truth().get(look.channel().code());
                    if (truth == null || truth.isEmpty()) {
                        continue;
                    }
                    group.channels++;
                    if (!look.readable()) {
                        group.unreadable++;
                        say(s, s.trouble() + " " + look.channel() + " unreadable: " + look.unreadable());
                        continue;
                    }
                    int wrong = 0;
                    for (int i = 0; i < truth.size(); i++) {
                        boolean gone = truth.get(i) == Seen.GONE;
                        boolean said = look.missing().contains(i);
                        boolean unsure = look.unsure().contains(i);
                        group.called += said ? 1 : 0;
                        group.gone += gone && (said || !unsure) ? 1 : 0;
                        group.found += gone && said ? 1 : 0;
                        wrong += gone != said && !unsure ? 1 : 0;
                    }
                    boolean bad = wrong > Math.max(2, .02 * truth.size());
                    silent |= bad && read.doubts().isEmpty();
                    if (bad || wrong > 0) {
                        say(
                                s,
                                "%s %s: %d of %d wrong, %d unsure, doubts %s"
                                        .formatted(
                                                s.trouble(),
                                                look.channel(),
                                                wrong,
                                                truth.size(),
                                                look.unsure().size(),
                                                read.doubts()));
                    }
                }
                group.silent += silent ? 1 : 0;
            }
        }
    }

    private void judge(Specimen s, Result.Read read) {
        int wrongChannels = 0;
        for (var look : read.looks()) {
            var truth = s.truth().get(look.channel().code());
            if (truth == null) {
                continue; // the ground does not show it
            }
            if (s.pixelsPerMm() >= 8) {
                fine++;
            }
            if (!look.readable()) {
                if (s.pixelsPerMm() >= 8) {
                    fineUnreadable++;
                    say(s, look.channel() + " unreadable: " + look.unreadable());
                }
                continue;
            }
            wrongChannels += strokes(s, look, truth, read.doubts().isEmpty()) ? 1 : 0;
            if (look.solid() != null) {
                double fade = s.fades().get(look.channel().code());
                fades.add(Math.abs(fade - look.solid().fade()));
                double share = s.foreign().get(look.channel().code());
                foreign.add(Math.abs(share - look.solid().foreign()));
                if (Math.abs(fade - look.solid().fade()) > .03
                        || Math.abs(share - look.solid().foreign()) > .08) {
                    say(
                            s,
                            "%s fade %.3f for %.3f, foreign %.2f for %.2f %s"
                                    .formatted(
                                            look.channel(),
                                            look.solid().fade(),
                                            fade,
                                            look.solid().foreign(),
                                            share,
                                            look.solid().tint()));
                }
            }
        }
        if (wrongChannels > 0) {
            silent++;
        }
    }

    /** @return whether it is wrong without a doubt said */
    private boolean strokes(Specimen s, Look look, List<Seen> truth, boolean sure) {
        int wrong = 0;
        int called = look.missing().size();
        int found = 0;
        for (int i = 0; i < truth.size(); i++) {
            boolean gone = truth.get(i) == Seen.GONE;
            boolean said = look.missing().contains(i);
            found += gone && said ? 1 : 0;
            if (gone != said && !look.unsure().contains(i)) {
                wrong++;
            }
            if (truth.get(i) == Seen.BENT) {
                bentTrue++;
                bentFound += look.bent().contains(i) ? 1 : 0;
            }
        }
        int gone = (int) truth.stream().filter(t -> t == Seen.GONE).count();
        if (s.scan()) {
            scanTrue += gone;
            scanFound += found;
            scanCalled += called;
        } else {
            photoTrue += gone;
            photoFound += found;
            photoCalled += called;
        }
        if (found != gone || found != called) {
            say(
                    s,
                    "%s %s: %d gone, %d found, %d called, %d unsure, limit %.2f, %s"
                            .formatted(
                                    look.channel(),
                                    s.scan() ? "scan" : "photo",
                                    gone,
                                    found,
                                    called,
                                    look.unsure().size(),
                                    look.limit(),
                                    sure ? "sure" : "doubts"));
        }
        return sure && wrong > Math.max(2, .02 * truth.size());
    }

    private void trap(Specimen s) throws Exception {
        traps++;
        var result = read(s);
        if (result instanceof Result.Unread(var _, var why)) {
            reasons++;
            if (!s.trap().gives(why)) {
                wrongReasons++;
                say(s, "trap " + s.trap() + " refused for another reason: " + why);
            }
        }
        boolean missed = switch (result) {
            case Result.Unread _ ->
                s.trap() == Trap.CODES_HIDDEN || s.trap() == Trap.UPSIDE_DOWN || s.trap() == Trap.TWO_SHEETS;
            case Result.Read read -> !tolerated(s, read);
        };
        if (missed) {
            trapsMissed++;
            say(
                    s,
                    "trap " + s.trap() + " missed: "
                            + (result instanceof Result.Read r
                                    ? "read, doubts " + r.doubts()
                                    : ((Result.Unread) result).why()));
        }
    }

    /** Whether what was read despite the trap is true, or doubted. */
    private static boolean tolerated(Specimen s, Result.Read read) {
        if (NEVER.contains(s.trap())) {
            return false;
        }
        if (s.trap() == Trap.WRONG_PATTERN) {
            return !read.doubts().isEmpty();
        }
        boolean right = true;
        for (var look : read.looks()) {
            var truth = s.truth().get(look.channel().code());
            if (truth != null && look.readable()) {
                int wrong = 0;
                for (int i = 0; i < truth.size(); i++) {
                    if ((truth.get(i) == Seen.GONE) != look.missing().contains(i)
                            && !look.unsure().contains(i)) {
                        wrong++;
                    }
                }
                right &= wrong <= Math.max(2, .02 * truth.size());
            }
        }
        return right || !read.doubts().isEmpty();
    }

    /** The least memory, in steps of 20 MB, in which a fresh machine reads twelve megapixels. */
    private static int heap() throws Exception {
        var file = Files.createTempFile("picture", ".jpg");
        try {
            var specimen = Specimen.of(7, Trap.NONE, SheetKind.FRAME, false, 12);
            Files.write(file, specimen.file());
            for (int mb = 80; mb < 600; mb += 20) {
                var child = new ProcessBuilder(
                                System.getProperty("java.home") + "/bin/java",
                                "-Xmx" + mb + "m",
                                "-XX:+UseSerialGC",
                                "-cp",
                                System.getProperty("java.class.path"),
                                ReaderOnce.class.getName(),
                                file.toString())
                        .redirectErrorStream(true)
                        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                        .start();
                if (child.waitFor() == 0) {
                    return mb;
                }
            }
            return 600;
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private void say(Specimen s, String what) {
        if (talk) {
            System.err.printf("%s (%.1f px/mm, %.0f Mpx): %s%n", s.name(), s.pixelsPerMm(), s.megapixels(), what);
        }
    }

    private static double share(int some, int all) {
        return all == 0 ? 1 : (double) some / all;
    }

    private static double p95(List<Double> values) {
        var sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted.length == 0 ? 0 : sorted[(int) Math.min(sorted.length - 1, Math.ceil(sorted.length * .95))];
    }

    private static double median(List<Double> values) {
        var sorted = values.stream().mapToDouble(Double::doubleValue).toArray();
        Arrays.sort(sorted);
        return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
    }
}
