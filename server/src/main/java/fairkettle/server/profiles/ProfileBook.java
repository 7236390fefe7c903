package fairkettle.server.profiles;

import static fairkettle.db.Tables.PROFILE;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.NozzlePattern;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Every profile there is: the ones that ship, and the shop's own, copied and corrected by measuring. */
@Repository
public class ProfileBook {

    private final DSLContext db;
    private final JsonMapper json;
    private final Journal journal;
    private final Live live;

    ProfileBook(DSLContext db, JsonMapper json, Journal journal, Live live) {
        this.db = db;
        this.json = json;
        this.journal = journal;
        this.live = live;
    }

    /** @param copiedFrom null for one that ships */
    public record Listed(Profile profile, Optional<String> copiedFrom) {}

    /** A vessel measured anew; for every channel if none is named. */
    public record Measured(Optional<ChannelCode> channel, VesselKind vessel, Millilitres capacity, Millilitres heel) {}

    public List<Listed> all() {
        var own = db.selectFrom(PROFILE)
                .orderBy(PROFILE.NAME)
                .fetch(r -> new Listed(read(r.getBody()), Optional.of(r.getCopiedFrom())));
        return Stream.concat(Profiles.ALL.stream().map(p -> new Listed(p, Optional.empty())), own.stream())
                .toList();
    }

    public Profile named(String id) {
        return Profiles.ALL.stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .or(() -> db.select(PROFILE.BODY)
                        .from(PROFILE)
                        .where(PROFILE.ID.eq(id))
                        .fetchOptional(PROFILE.BODY)
                        .map(this::read))
                .orElseThrow(() -> new IllegalArgumentException("There is no profile (%s).".formatted(id)));
    }

    private Profile read(JSONB body) {
        return json.readValue(body.data(), Profile.class);
    }

    /** A copy under a name of the shop's, with what was measured. @return its id */
    @Transactional
    public String copy(
            String from,
            String name,
            List<Measured> measured,
            Map<String, Millilitres> draws,
            Optional<Millilitres> pad) {
        var original = named(from);
        var called = name.strip();
        if (all().stream().anyMatch(l -> l.profile().name().equalsIgnoreCase(called))) {
            throw Problem.atField("name", "There is a profile of this name already.");
        }
        var id = "own-" + UUID.randomUUID().toString().substring(0, 8);
        var copy = original.copiedAs(
                id,
                called,
                corrected(original, measured),
                draws(original.draws(), draws),
                original.minutes(),
                pad.orElse(original.padCapacity()));
        db.insertInto(PROFILE)
                .set(PROFILE.ID, id)
                .set(PROFILE.NAME, called)
                .set(PROFILE.COPIED_FROM, original.name())
                .set(PROFILE.BODY, body(copy))
                .execute();
        journal.write(
                NewEntry.of(
                        EntryKind.MACHINE,
                        "profile “%s” copied from “%s”%s".formatted(called, original.name(), words(measured))),
                List.of());
        live.changed("profiles");
        return id;
    }

    /** What was measured goes into one of the shop's own. */
    @Transactional
    public void correct(String id, List<Measured> measured) {
        var now = own(id);
        keep(
                now.copiedAs(id, now.name(), corrected(now, measured), now.draws(), now.minutes(), now.padCapacity()),
                words(measured));
    }

    /** How its machines really draw their own nozzle check. @param nozzles strokes of each channel */
    @Transactional
    public void pattern(String id, NozzlePattern seen, int nozzles) {
        keep(
                own(id).drawing(seen, nozzles),
                ": its nozzle check draws %d strokes a channel, %d in a stair".formatted(nozzles, seen.steps()));
    }

    private Profile own(String id) {
        if (Profiles.ALL.stream().anyMatch(p -> p.id().equals(id))) {
            throw Problem.refused(
                    "This profile ships with the product. Copy it first, under a name of your own.", List.of());
        }
        return named(id);
    }

    private void keep(Profile better, String words) {
        db.update(PROFILE)
                .set(PROFILE.BODY, body(better))
                .set(PROFILE.VERSION, PROFILE.VERSION.plus(1))
                .where(PROFILE.ID.eq(better.id()))
                .execute();
        journal.write(
                NewEntry.of(EntryKind.MACHINE, "profile “%s” corrected%s".formatted(better.name(), words)), List.of());
        live.changed("profiles");
        live.changed("bench");
    }

    private JSONB body(Profile profile) {
        return JSONB.valueOf(json.writeValueAsString(profile));
    }

    private static List<Channel> corrected(Profile profile, List<Measured> measured) {
        for (var m : measured) {
            m.channel().ifPresent(profile::channel);
            if (profile.channels().stream()
                    .noneMatch(c -> c.has(m.vessel())
                            && m.channel().map(c.code()::equals).orElse(true))) {
                throw Problem.atField(
                        "vessel",
                        "“%s” has no %s of its own: it came with what was fitted later, and only the build is measured here."
                                .formatted(profile.name(), m.vessel().label()));
            }
        }
        return profile.channels().stream()
                .map(c -> new Channel(
                        c.code(),
                        c.path().stream()
                                .map(v -> measured.stream()
                                        .filter(m -> m.vessel() == v.kind()
                                                && m.channel()
                                                        .map(c.code()::equals)
                                                        .orElse(true))
                                        .reduce((_, last) -> last)
                                        .map(m -> new Vessel(v.kind(), m.capacity(), m.heel(), v.depth()))
                                        .orElse(v))
                                .toList(),
                        c.nozzles()))
                .toList();
    }

    private static Profile.Draws draws(Profile.Draws now, Map<String, Millilitres> measured) {
        return new Profile.Draws(
                measured.getOrDefault("nozzleCheck", now.nozzleCheck()),
                measured.getOrDefault("healthSheet", now.healthSheet()),
                measured.getOrDefault("sheet", now.sheet()),
                measured.getOrDefault("cleaning", now.cleaning()),
                measured.getOrDefault("powerCleaning", now.powerCleaning()),
                measured.getOrDefault("initialCharge", now.initialCharge()));
    }

    private static String words(List<Measured> measured) {
        return measured.isEmpty()
                ? ""
                : ": "
                        + String.join(
                                ", ",
                                measured.stream()
                                        .map(m -> "%s%s %s mL, %s stay behind"
                                                .formatted(
                                                        m.vessel().label(),
                                                        m.channel()
                                                                .map(c -> " of " + c)
                                                                .orElse(""),
                                                        m.capacity(),
                                                        m.heel()))
                                        .toList());
    }
}
