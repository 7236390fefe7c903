package fairkettle.server.routines;

import static fairkettle.db.Tables.LINE_LOOK;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.machine.WhiteLook.Place;
import fairkettle.machine.WhiteLook.Seen;
import fairkettle.procedure.Consequence;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What was seen in the bottles, lines and dampers of white, with a picture where one was taken. */
@Repository
public class LineLooks {

    private static final int SIDE_BY_SIDE = 2;

    private final DSLContext db;
    private final Machines machines;
    private final Pictures pictures;
    private final Journal journal;
    private final Live live;
    private final Who who;
    private final Clock clock;

    LineLooks(DSLContext db, Machines machines, Pictures pictures, Journal journal, Live live, Who who, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.pictures = pictures;
        this.journal = journal;
        this.live = live;
        this.who = who;
        this.clock = clock;
    }

    public record LineLook(
            String channel,
            Place place,
            Seen seen,
            Instant at,
            String person,
            @Nullable UUID picture) {}

    /** The last two of each place: side by side they say whether it gets worse. */
    public List<LineLook> latest(long machine) {
        return db
                .selectFrom(LINE_LOOK)
                .where(LINE_LOOK.MACHINE_ID.eq(machine))
                .orderBy(LINE_LOOK.CHANNEL, LINE_LOOK.PLACE, LINE_LOOK.AT.desc())
                .fetch(r -> new LineLook(
                        r.getChannel(),
                        Place.valueOf(r.getPlace()),
                        Seen.valueOf(r.getSeen()),
                        r.getAt().toInstant(),
                        r.getPerson(),
                        r.getPictureId()))
                .stream()
                .collect(Collectors.groupingBy(l -> l.channel() + l.place(), LinkedHashMap::new, Collectors.toList()))
                .values()
                .stream()
                .flatMap(l -> l.stream().limit(SIDE_BY_SIDE))
                .toList();
    }

    void keep(Act act, Consequence.LineSeen look) {
        db.insertInto(LINE_LOOK)
                .set(LINE_LOOK.MACHINE_ID, act.machine())
                .set(LINE_LOOK.CHANNEL, look.channel().code())
                .set(LINE_LOOK.PLACE, look.place().name())
                .set(LINE_LOOK.SEEN, look.seen().name())
                .set(LINE_LOOK.AT, act.at().atOffset(ZoneOffset.UTC))
                .set(LINE_LOOK.PERSON, look.person())
                .set(LINE_LOOK.PICTURE_ID, look.picture())
                .execute();
    }

    /** @param picture received already; null for none */
    @Transactional
    public void keep(long id, ChannelCode channel, Place place, Seen seen, Pictures.@Nullable Sent picture) {
        var machine = machines.get(id);
        if (!channel.white() || !machine.holdings().containsKey(channel)) {
            throw Problem.atField("channel", "%s has no white %s.".formatted(machine.name(), channel));
        }
        var kept = picture == null ? null : pictures.keep(picture);
        journal.write(
                NewEntry.of(
                                EntryKind.UPKEEP,
                                "%s: the %s of %s looks %s"
                                        .formatted(
                                                machine.name(),
                                                place.name().toLowerCase(Locale.ROOT),
                                                channel,
                                                said(seen)))
                        .machine(id),
                List.of(),
                List.of(
                        new Consequence.LineSeen(channel, place, seen, kept, who.name()),
                        new Consequence.RoutineDone(place == Place.LINE ? "look-line" : "look-at", channel)));
        live.changed("machine/" + id);
    }

    private static String said(Seen seen) {
        return switch (seen) {
            case CLEAR -> "clear";
            case FILM -> "as if a film lay on it";
            case SOLID -> "solid at the floor";
        };
    }
}
