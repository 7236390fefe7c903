package fairkettle.server.feed;

import fairkettle.server.hob.Hob;
import fairkettle.server.round.RoundView;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Waits with alarms, today’s round, the coming days and promises, for calendar programs that know the secret address.
 */
@RestController
class FeedController {

    private static final int DAYS = 7;
    private static final Duration A_GLANCE = Duration.ofMinutes(5);

    private final FeedBook book;
    private final Hob hob;
    private final RoundView rounds;
    private final Shop shop;

    FeedController(FeedBook book, Hob hob, RoundView rounds, Shop shop) {
        this.book = book;
        this.hob = hob;
        this.rounds = rounds;
        this.shop = shop;
    }

    /** @param path of the feed under this server’s address; null if there is none */
    record FeedJson(@Nullable String path) {}

    @GetMapping("/api/feed")
    FeedJson feed() {
        return new FeedJson(book.secret().map(s -> "/feed/" + s + ".ics").orElse(null));
    }

    /** A new address: whoever had the old one sees nothing more. */
    @PostMapping("/api/feed")
    FeedJson renewFeed() {
        book.renew();
        return feed();
    }

    @DeleteMapping("/api/feed")
    FeedJson endFeed() {
        book.end();
        return feed();
    }

    @GetMapping(value = "/feed/{secret}.ics", produces = "text/calendar")
    ResponseEntity<String> calendar(@PathVariable String secret) {
        boolean known = book.secret()
                .filter(s -> MessageDigest.isEqual(
                        s.getBytes(StandardCharsets.UTF_8), secret.getBytes(StandardCharsets.UTF_8)))
                .isPresent();
        if (!known) {
            throw Problem.notFound("There is no calendar at this address. It may have been renewed: look under Shop.");
        }
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noCache())
                .header("Content-Type", "text/calendar; charset=utf-8")
                .body(CalendarFile.of(shop.settings().name(), book.publish(items())));
    }

    private List<FeedItem> items() {
        var items = new ArrayList<FeedItem>();
        hob.waits().forEach(w -> {
            var name = w.machineName() == null ? "" : w.machineName() + ": ";
            var late = w.lateAt();
            items.add(new FeedItem(
                    "wait-%d@fair-kettle".formatted(w.id()),
                    "%s%s ready".formatted(name, w.label()),
                    late == null ? "The wait is over." : "Use it before it dries: the event ends then.",
                    w.readyAt(),
                    late == null ? w.readyAt().plus(A_GLANCE) : late,
                    true,
                    late != null));
        });
        var week = rounds.weekNow(DAYS);
        var today = rounds.roundNow();
        var names = today.machines().stream()
                .collect(Collectors.toMap(RoundView.StationJson::id, RoundView.StationJson::name));
        var people =
                today.people().stream().collect(Collectors.toMap(RoundView.WalkerJson::id, RoundView.WalkerJson::name));
        today.visits().stream()
                .filter(v -> v.begun() == null)
                .forEach(v -> items.add(new FeedItem(
                        "visit-%s-%s@fair-kettle".formatted(today.day(), v.key().replace('/', '-')),
                        "%s: %s".formatted(names.get(v.machine()), v.title()),
                        "%s. %s".formatted(v.person() == null ? "Somebody" : people.get(v.person()), v.say()),
                        v.at(),
                        v.at().plus(Duration.ofMinutes(v.hands())),
                        false,
                        false)));
        var zone = shop.settings().zoneId();
        week.days().stream()
                .skip(1)
                .filter(RoundView.DayAheadJson::open)
                .forEach(day -> ahead(day, zone, names, items));
        week.days().stream()
                .flatMap(d -> d.promises().stream())
                .forEach(p -> items.add(new FeedItem(
                        "promise-%d@fair-kettle".formatted(p.id()),
                        "%s prints: %s".formatted(names.get(p.machine()), p.words()),
                        "Promised.",
                        p.at(),
                        p.at().plus(Duration.ofMinutes(p.minutes())),
                        false,
                        false)));
        return items;
    }

    /** One event for each machine of a day to come: its minutes may still change. */
    private static void ahead(RoundView.DayAheadJson day, ZoneId zone, Map<Long, String> names, List<FeedItem> items) {
        var byMachine = day.visits().stream()
                .collect(Collectors.groupingBy(RoundView.VisitJson::machine, TreeMap::new, Collectors.toList()));
        byMachine.forEach((machine, visits) -> {
            int minutes = visits.stream().mapToInt(RoundView.VisitJson::hands).sum();
            var first = visits.stream()
                    .map(RoundView.VisitJson::at)
                    .min(Instant::compareTo)
                    .orElse(day.day().atStartOfDay(zone).toInstant());
            items.add(new FeedItem(
                    "day-%s-%d@fair-kettle".formatted(day.day(), machine),
                    "%s: %d min".formatted(Objects.requireNonNull(names.get(machine)), minutes),
                    visits.stream().map(RoundView.VisitJson::title).distinct().collect(Collectors.joining("\n")),
                    first,
                    first.plus(Duration.ofMinutes(minutes)),
                    false,
                    false));
        });
    }
}
