package fairkettle.server.feed;

import fairkettle.server.feed.FeedBook.Published;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.ParameterList;
import net.fortuna.ical4j.model.PropertyList;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.parameter.Related;
import net.fortuna.ical4j.model.property.Action;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.LastModified;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Trigger;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** Writes items as iCalendar (RFC 5545). All times are UTC, so that no time zone need be described. */
final class CalendarFile {

    static {
        System.setProperty("net.fortuna.ical4j.timezone.update.enabled", "false"); // never asks the network
    }

    /** Before something spoils. */
    private static final Duration SOON = Duration.ofMinutes(2);

    private static final int OCTETS = 75;

    private CalendarFile() {}

    static String of(String shop, List<Published> published) {
        var calendar = new Calendar();
        calendar.add(new ProdId("-//Fair Kettle//Round and hob//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(ImmutableMethod.PUBLISH);
        calendar.add(new XProperty("X-WR-CALNAME", shop));
        calendar.add(new XProperty("X-PUBLISHED-TTL", "PT10M"));
        published.forEach(p -> calendar.add(event(p)));
        return folded(calendar.toString());
    }

    /** Lines of at most 75 octets, none broken within a letter (RFC 5545, 3.1). */
    static String folded(String unfolded) {
        var all = new StringBuilder();
        for (var line : unfolded.split("\r\n")) {
            int octets = 0;
            for (int letter : line.codePoints().toArray()) {
                int wide = Character.toString(letter).getBytes(StandardCharsets.UTF_8).length;
                if (octets + wide > OCTETS) {
                    all.append("\r\n ");
                    octets = 1;
                }
                all.appendCodePoint(letter);
                octets += wide;
            }
            all.append("\r\n");
        }
        return all.toString();
    }

    private static VEvent event(Published p) {
        var item = p.item();
        var event = new VEvent(new PropertyList(List.of(
                new Uid(item.uid()),
                new DtStamp(p.changed()),
                new DtStart<>(item.from()),
                new DtEnd<>(item.to()),
                new Summary(item.title()),
                new Description(item.words()),
                new LastModified(p.changed()),
                new Sequence(p.sequence()),
                p.gone() ? ImmutableStatus.VEVENT_CANCELLED : ImmutableStatus.VEVENT_CONFIRMED,
                ImmutableTransp.TRANSPARENT)));
        if (Boolean.TRUE.equals(item.alarm()) && !p.gone()) {
            event.add(alarm(item.title(), Related.START, Duration.ZERO));
        }
        if (Boolean.TRUE.equals(item.ends()) && !p.gone()) {
            event.add(alarm(item.title() + ", and dries soon", Related.END, SOON.negated()));
        }
        return event;
    }

    private static VAlarm alarm(String words, Related to, Duration from) {
        var alarm = new VAlarm();
        alarm.add(new Action("DISPLAY"));
        alarm.add(new Trigger(new ParameterList(List.of(to)), from));
        alarm.add(new Description(words));
        return alarm;
    }
}
