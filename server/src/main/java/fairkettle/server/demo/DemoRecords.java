package fairkettle.server.demo;

import fairkettle.procedure.Consequence.Heard;
import fairkettle.server.messages.Messages;
import fairkettle.server.spares.Ages;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** What Quillmere Rosettes wrote down of its machines beside the daily work. */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoRecords {

    private final Messages messages;
    private final Ages ages;
    private final Clock clock;

    DemoRecords(Messages messages, Ages ages, Clock clock) {
        this.messages = messages;
        this.ages = ages;
        this.clock = clock;
    }

    void fill(long bramble, long teasel, long bryony) {
        messages.explain(
                "paper mismatch, tray 2",
                "It means the ribbon carrier: it is a hair wider than the sheet it was told of.",
                "Go on. Set the sheet to the carrier’s own size before the next one.");
        messages.heard(
                bryony,
                new Heard("not genuine; continue to use?", "NOT_GENUINE", "yes, and went on", Heard.Outcome.WENT_AWAY));
        messages.heard(
                bramble,
                new Heard(
                        "paper mismatch, tray 2",
                        "own/1",
                        "went on; set the size before the next sheet",
                        Heard.Outcome.WENT_AWAY));
        messages.heard(
                teasel,
                new Heard(
                        "encoder error; carriage error",
                        "ENCODER",
                        "wiped the strip, oiled the rail",
                        Heard.Outcome.CAME_BACK));
        var today = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC);
        ages.fitted(teasel, "wiper", today.minusDays(70));
        ages.fitted(teasel, "ink filter", today.minusDays(160));
        ages.fitted(bramble, "spit pad", today.minusDays(310));
    }
}
