package fairkettle.clinic;

import fairkettle.clinic.Advice.Next;
import fairkettle.clinic.Advice.Outlook;
import fairkettle.ink.ChannelCode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Advice as it is said to somebody with ink on their gloves.
 *
 * @param title the one thing to do
 * @param say why that
 * @param minutes of hands; {@code lasts} until the machine may be looked at again
 * @param mL of ink; {@code padML} of it into the pad; {@code fluidML} beside it; {@code parts} money
 * @param expect what the next check should look like if it is right
 * @param otherwise what would change the advice
 */
public record AdviceWords(
        String title,
        String say,
        double minutes,
        Duration lasts,
        double mL,
        double padML,
        double fluidML,
        double parts,
        @Nullable String expect,
        @Nullable String otherwise) {

    public static AdviceWords of(Advice advice, Situation situation) {
        return switch (advice.next()) {
            case Next.Look _ ->
                plain(
                        "Print a check",
                        "Nobody knows what the last act did until the strokes are looked at. Every channel, not only"
                                + " the sick one.",
                        1.5);
            case Next.Wait _ ->
                plain(
                        "Let it rest, then look again",
                        "The last check came before the rest was over: good then is luck, bad then is no verdict."
                                + " Nothing is treated meanwhile.",
                        0);
            case Next.Page _ ->
                plain(
                        "Lay down a full page",
                        "A good check is one good tenth of a millilitre. A page tells whether ink follows: strong from"
                                + " top to foot, no bare bands, its own colour.",
                        3);
            case Next.Simple _ ->
                plain(
                        "Look at the simple things",
                        "Level, vent, valve, seating, family, pad. They cost nothing, and half of all “clogs” end"
                                + " here.",
                        3);
            case Next.Try(var remedy) -> plain(remedy.title(), remedy.say(), 4);
            case Next.Ask(var question, var channel) ->
                plain(channel == null ? question.ask() : channel + ": " + question.ask(), question.why(), .5);
            case Next.Treat(var treatment, var channels) -> {
                int n = treatment.perChannel()
                        ? channels.size()
                        : situation.channels().size();
                var takes = situation.takes(treatment, n);
                yield new AdviceWords(
                        title(treatment, channels),
                        capital(treatment.why()) + ".",
                        treatment.hands(n),
                        treatment.lasts(n),
                        takes.mL(),
                        takes.pad(),
                        takes.fluid(),
                        takes.parts(),
                        expect(advice.outlook()),
                        otherwise(advice));
            }
            case Next.Close(var wholly) ->
                plain(
                        wholly ? "Cured: close the case" : "Good enough: close the case",
                        wholly
                                ? "Check and page are good. Print the first real job, and say how it came out."
                                : "The gaps that are left do not show in the work in hand. Forcing them would cost"
                                        + " more than they do.",
                        1);
            case Next.Stop(var reason) -> plain("Stop here", reason.say(), 0);
        };
    }

    private static AdviceWords plain(String title, String say, double minutes) {
        return new AdviceWords(title, say, minutes, Duration.ofMinutes(Math.round(minutes)), 0, 0, 0, 0, null, null);
    }

    /** "Draw at the waste line: C W1". */
    public static String title(Treatment treatment, Collection<ChannelCode> channels) {
        return treatment.perChannel() && !channels.isEmpty()
                ? "%s: %s"
                        .formatted(
                                treatment.label(),
                                channels.stream()
                                        .sorted()
                                        .map(ChannelCode::code)
                                        .collect(Collectors.joining(" ")))
                : treatment.label();
    }

    private static @Nullable String expect(@Nullable Outlook o) {
        if (o == null) {
            return null;
        }
        if (o.fit() >= .5) {
            return "A good check, about %s.".formatted(inTen(o.fit()));
        }
        double better = o.fit() + o.muchBetter() + o.better();
        return better >= .5
                ? "Fewer gaps, about %s; good already, %s.".formatted(inTen(better), inTen(o.fit()))
                : "Perhaps no change yet: it prepares what comes next. Fewer gaps, about %s.".formatted(inTen(better));
    }

    private static String inTen(double share) {
        long tenths = Math.round(share * 10);
        return tenths == 0
                ? "less than 1 time in 10"
                : tenths == 10 ? "nearly always" : "%d time%s in 10".formatted(tenths, tenths == 1 ? "" : "s");
    }

    private static @Nullable String otherwise(Advice advice) {
        return advice.others().stream()
                .filter(o -> o.next() instanceof Next.Treat)
                .findFirst()
                .map(o -> "If nothing changes: %s.".formatted(small(name(o.next()))))
                .orElse(null);
    }

    /** What a step is called in a list. */
    public static String name(Next next) {
        return switch (next) {
            case Next.Look _ -> "Another check";
            case Next.Wait _ -> "Let it rest";
            case Next.Page _ -> "A full page";
            case Next.Simple _ -> "The simple things";
            case Next.Try(var remedy) -> remedy.title();
            case Next.Ask(var question, var _) -> question.ask();
            case Next.Treat(var treatment, var channels) -> title(treatment, channels);
            case Next.Close _ -> "Close the case now";
            case Next.Stop _ -> "Stop, and live with it";
        };
    }

    /** Why something else was not advised. @param over money it is expected to cost more */
    public static String whyNot(Advice.Other other, Situation situation) {
        if (other.next() instanceof Next.Treat(var treatment, var channels)) {
            int n = treatment.perChannel()
                    ? channels.size()
                    : situation.channels().size();
            var takes = situation.takes(treatment, n);
            var words = new ArrayList<String>();
            if (takes.mL() >= .05) {
                words.add("%.1f mL%s".formatted(takes.mL(), takes.pad() > 0 ? " into the pad" : ""));
            }
            words.add(
                    treatment.lasts(n).toMinutes() >= 90
                            ? "%d h".formatted(treatment.lasts(n).toHours())
                            : "%d min of hands".formatted(Math.round(treatment.hands(n))));
            if (other.outlook() != null) {
                words.add("good at once %s".formatted(inTen(other.outlook().fit())));
            }
            return String.join(", ", words);
        }
        return other.next() instanceof Next.Stop
                ? "as long as there is a fair chance"
                : other.next() instanceof Next.Close ? "a doubt is left that is worth its price" : "";
    }

    /** What the evidence says, in half sentences. */
    public static List<String> because(CaseFile file) {
        var words = new ArrayList<String>();
        var situation = file.situation();
        var looks = file.evidence().stream()
                .map(CaseFile.Dated::evidence)
                .filter(e -> e instanceof Evidence.Look)
                .map(e -> (Evidence.Look) e)
                .toList();
        if (!looks.isEmpty()) {
            var last = looks.getLast();
            var failing = situation.channels().stream()
                    .filter(p ->
                            last.missing().getOrDefault(p.code(), List.of()).size() > p.tolerated())
                    .toList();
            words.add(
                    failing.isEmpty()
                            ? "the last check is good enough"
                            : failing.size() == situation.channels().size()
                                    ? "all %d channels have gaps".formatted(failing.size())
                                    : "gaps in %s only"
                                            .formatted(failing.stream()
                                                    .map(p -> p.code().code())
                                                    .collect(Collectors.joining(", "))));
            if (looks.size() > 1 && !failing.isEmpty()) {
                words.add(moved(looks.get(looks.size() - 2), last, failing));
            }
        }
        file.evidence().stream()
                .map(CaseFile.Dated::evidence)
                .filter(e -> e instanceof Evidence.Page)
                .map(e -> (Evidence.Page) e)
                .reduce((_, b) -> b)
                .ifPresent(page -> {
                    var fades = page.seen().entrySet().stream()
                            .filter(e -> e.getValue().fade() > .15)
                            .map(e -> e.getKey().code())
                            .sorted()
                            .toList();
                    words.add(
                            fades.isEmpty()
                                    ? "the page keeps its weight"
                                    : "the page fades in " + String.join(", ", fades));
                });
        if (situation.idleDays() >= 1) {
            long days = Math.round(situation.idleDays());
            words.add(days == 1 ? "one idle day" : "%d idle days".formatted(days));
        }
        if (situation.drying() > 1.3) {
            words.add("a dry room");
        }
        if (situation.changedLately()) {
            words.add("just after a changeover");
        }
        return words;
    }

    private static String moved(Evidence.Look before, Evidence.Look now, List<Situation.Part> failing) {
        int stayed = 0;
        int fresh = 0;
        int was = 0;
        for (var part : failing) {
            var then = before.missing().getOrDefault(part.code(), List.of());
            var here = now.missing().getOrDefault(part.code(), List.of());
            was += then.size();
            stayed += (int) here.stream().filter(then::contains).count();
            fresh += (int) here.stream().filter(s -> !then.contains(s)).count();
        }
        return fresh * 2 > stayed && was > 0
                ? "the gaps move"
                : stayed * 10 >= was * 9 ? "the gaps stand still" : "fewer gaps than before";
    }

    private static String small(String words) {
        return words.substring(0, 1).toLowerCase(Locale.ROOT) + words.substring(1);
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
