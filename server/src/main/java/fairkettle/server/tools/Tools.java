package fairkettle.server.tools;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.TOOL;

import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.ToolRecord;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Tool;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Syringes, needles and tops, by the ink that they met. */
@Repository
public class Tools {

    private final DSLContext db;
    private final Journal journal;
    private final Live live;
    private final Clock clock;

    Tools(DSLContext db, Journal journal, Live live, Clock clock) {
        this.db = db;
        this.journal = journal;
        this.live = live;
        this.clock = clock;
    }

    /** @param since it is as it is */
    public record Kept(Tool tool, Instant since) {}

    public List<Kept> all() {
        return db.selectFrom(TOOL)
                .where(TOOL.GONE.isFalse())
                .orderBy(TOOL.KIND, TOOL.ID)
                .fetch(r -> new Kept(tool(r), r.getSince().toInstant()));
    }

    public Optional<Tool> find(long id) {
        return db.selectFrom(TOOL).where(TOOL.ID.eq(id), TOOL.GONE.isFalse()).fetchOptional(Tools::tool);
    }

    /** The syringes that may draw an ink, the best first, by channel. */
    public Map<ChannelCode, List<Tool>> offered(Family family, List<ChannelCode> channels) {
        var tools = all().stream().map(Kept::tool).toList();
        var offered = new LinkedHashMap<ChannelCode, List<Tool>>();
        channels.forEach(c -> offered.put(c, Tool.offered(tools, Tool.Kind.SYRINGE, family, c)));
        return offered;
    }

    /** Those that came in new on a card, by its step and then by channel. */
    public Map<String, Map<String, String>> cameInOn(long card) {
        var came = new HashMap<String, Map<String, String>>();
        db.select(TOOL.fields())
                .select(ENTRY.STEP_ID)
                .from(TOOL)
                .join(ENTRY)
                .on(ENTRY.ID.eq(TOOL.ENTRY_ID))
                .where(ENTRY.CARD_ID.eq(card))
                .orderBy(TOOL.ID)
                .forEach(r -> came.computeIfAbsent(r.get(ENTRY.STEP_ID), _ -> new HashMap<>())
                        .put(r.get(TOOL.COLOUR), tool(r.into(TOOL)).label()));
        return came;
    }

    private static Tool tool(ToolRecord r) {
        var kind = Tool.Kind.valueOf(r.getKind());
        var met = r.getFamily() == null || r.getColour() == null
                ? null
                : new Tool.Met(Family.valueOf(r.getFamily()), ChannelCode.of(r.getColour()));
        var label = r.getLabel().isEmpty()
                ? "%s no. %d"
                        .formatted(
                                kind.label().substring(0, 1).toUpperCase(Locale.ROOT)
                                        + kind.label().substring(1),
                                r.getId())
                : r.getLabel();
        return new Tool(r.getId(), kind, label, met, r.getCraft(), r.getRinsed());
    }

    /** Tools that met no ink yet come onto the shelf. */
    @Transactional
    public void add(Tool.Kind kind, String label, int count) {
        for (int i = 0; i < count; i++) {
            insert(kind, label, clock.instant(), null);
        }
        live.changed("shelf");
    }

    private long insert(Tool.Kind kind, String label, Instant at, @Nullable Long entry) {
        return db.insertInto(TOOL)
                .set(TOOL.KIND, kind.name())
                .set(TOOL.LABEL, label)
                .set(TOOL.SINCE, at.atOffset(ZoneOffset.UTC))
                .set(TOOL.ENTRY_ID, entry)
                .returningResult(TOOL.ID)
                .fetchSingle(TOOL.ID);
    }

    /** Several were rinsed at once. */
    @Transactional
    public void rinsed(List<Long> ids) {
        seen(ids, "rinsed", id -> new Consequence.ToolSeen(id, true, false));
    }

    /** It broke, or is kept no more. */
    @Transactional
    public void gone(long id) {
        seen(List.of(id), "kept no more", tool -> new Consequence.ToolSeen(tool, false, true));
    }

    private void seen(List<Long> ids, String words, java.util.function.LongFunction<Consequence> what) {
        var tools = ids.stream()
                .distinct()
                .sorted()
                .map(id -> find(id).orElseThrow(() -> Problem.notFound("There is no such tool (%d).".formatted(id))))
                .toList();
        journal.write(
                NewEntry.of(
                        EntryKind.SUPPLY,
                        "%s: %s"
                                .formatted(
                                        String.join(
                                                ", ",
                                                tools.stream().map(Tool::label).toList()),
                                        words)),
                List.of(),
                tools.stream().map(t -> what.apply(t.id())).toList());
    }

    void seen(Consequence.ToolSeen seen, Instant at) {
        db.update(TOOL)
                .set(TOOL.RINSED, seen.rinsed() ? DSL.val(true) : TOOL.RINSED)
                .set(TOOL.GONE, seen.gone())
                .set(TOOL.SINCE, at.atOffset(ZoneOffset.UTC))
                .where(TOOL.ID.eq(seen.tool()))
                .execute();
        live.changed("shelf");
    }

    /** They meet ink. */
    void taken(Act act, Consequence.ToolsTaken taken) {
        var at = act.at();
        taken.tools().forEach((channel, chosen) -> {
            long id = chosen == 0 ? insert(Tool.Kind.SYRINGE, "", at, act.entry()) : chosen;
            db.update(TOOL)
                    .set(TOOL.FAMILY, taken.family().name())
                    .set(TOOL.COLOUR, channel.code())
                    .set(TOOL.CRAFT, taken.craft() ? DSL.val(true) : TOOL.CRAFT)
                    .set(TOOL.RINSED, false)
                    .set(TOOL.SINCE, at.atOffset(ZoneOffset.UTC))
                    .where(TOOL.ID.eq(id))
                    .execute();
        });
        live.changed("shelf");
    }
}
