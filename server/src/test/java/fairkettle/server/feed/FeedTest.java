package fairkettle.server.feed;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.component.VEvent;
import fairkettle.server.Api;
import fairkettle.server.MorningTest;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;
import org.springframework.test.web.servlet.assertj.MockMvcTester;

/** The calendar, read by a parser that did not write it. */
@MorningTest
class FeedTest {

    @Autowired
    private Api api;

    @Autowired
    private Clock clock;

    @Autowired
    private MockMvcTester mvc;

    private String path() {
        return api.read(api.post("/api/feed", "{}")).get("path").asString();
    }

    private List<VEvent> events(String path) throws Exception {
        var answer = api.get(path).getResponse();
        assertThat(answer.getContentType()).startsWith("text/calendar");
        var calendar = Biweekly.parse(answer.getContentAsString(StandardCharsets.UTF_8))
                .first();
        assertThat(calendar.validate(ICalVersion.V2_0).toString())
                .as("what is wrong with the calendar")
                .isEmpty();
        return calendar.getEvents();
    }

    private static Optional<VEvent> named(List<VEvent> events, String summary) {
        return events.stream()
                .filter(e -> e.getSummary().getValue().contains(summary))
                .findFirst();
    }

    @Test
    void linesAreShortForOldProgramsAndSayTheSame() throws Exception {
        var label = "soak of the yellow line’s damper – Łódź – until the fluid comes out as clear as water, twice";
        api.post("/api/hob", "{\"label\": \"%s\", \"minutes\": 30}".formatted(label.substring(0, 60)));
        var path = path();
        var text = api.get(path).getResponse().getContentAsString(StandardCharsets.UTF_8);
        assertThat(text.split("\r\n"))
                .allMatch(line -> line.getBytes(StandardCharsets.UTF_8).length <= 75)
                .anyMatch(line -> line.startsWith(" "));
        assertThat(named(events(path), label.substring(0, 40))).isPresent();
        assertThat(CalendarFile.folded("SUMMARY:" + "é".repeat(100) + "\r\n").replace("\r\n ", ""))
                .isEqualTo("SUMMARY:" + "é".repeat(100) + "\r\n");
    }

    @Test
    void aWaitRingsWhenItIsReady() throws Exception {
        var path = path();
        api.post("/api/hob", "{\"label\": \"feed soak\", \"minutes\": 30}");
        var wait = named(events(path), "feed soak").orElseThrow();
        assertThat(wait.getDateStart().getValue().toInstant())
                .isBetween(
                        clock.instant().plus(Duration.ofMinutes(29)),
                        clock.instant().plus(Duration.ofMinutes(31)));
        assertThat(wait.getAlarms())
                .singleElement()
                .satisfies(
                        a -> assertThat(a.getTrigger().getDuration().toMillis()).isZero());
        assertThat(wait.getUid().getValue()).startsWith("wait-");
    }

    @Test
    void theSameThingKeepsItsUidAndCountsUpWhenItChanges() throws Exception {
        var path = path();
        long machine = api.machine("Feed promises", "small-tank", "INKED");
        var due = clock.instant().plus(Duration.ofHours(2));
        api.post(
                "/api/machines/" + machine + "/promises",
                "{\"words\": \"feed sashes\", \"due\": \"%s\"}".formatted(due));
        var first = named(events(path), "feed sashes").orElseThrow();
        var again = named(events(path), "feed sashes").orElseThrow();
        assertThat(again.getUid()).isEqualTo(first.getUid());
        assertThat(again.getSequence()).as("nothing changed").isEqualTo(first.getSequence());
        var check = named(events(path), "Feed promises: Nozzle check").orElseThrow();
        assertThat(check.getDateStart().getValue().toInstant())
                .as("before the work")
                .isBefore(due);
    }

    @Test
    void whatIsTakenOffBeforeItsTimeIsCancelledNotForgotten() throws Exception {
        var path = path();
        var waits = api.read(api.post("/api/hob", "{\"label\": \"feed rest\", \"minutes\": 50}"));
        long id = 0;
        for (var wait : waits) {
            id = wait.get("label").asString().equals("feed rest")
                    ? wait.get("id").asLong()
                    : id;
        }
        var before = named(events(path), "feed rest").orElseThrow();
        assertThat(mvc.delete()
                        .uri("/api/hob/" + id)
                        .with(SecurityMockMvcRequestPostProcessors.csrf())
                        .header("Idempotency-Key", "feed-rest")
                        .exchange())
                .hasStatusOk();
        var after = named(events(path), "feed rest").orElseThrow();
        assertThat(after.getUid()).isEqualTo(before.getUid());
        assertThat(after.getStatus().isCancelled()).isTrue();
        assertThat(after.getSequence().getValue())
                .isGreaterThan(before.getSequence().getValue());
        assertThat(after.getAlarms()).isEmpty();
    }

    @Test
    void anOldAddressIsDead() {
        var old = path();
        var fresh = path();
        assertThat(api.get(old)).hasStatus(404);
        assertThat(api.get(fresh)).hasStatusOk();
        assertThat(api.get("/feed/guess.ics")).hasStatus(404);
    }
}
