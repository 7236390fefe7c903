package fairkettle.server.messages;

import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.MESSAGE_HEARD;
import static fairkettle.db.Tables.OWN_MESSAGE;

import fairkettle.books.EntryKind;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Consequence.Heard.Outcome;
import fairkettle.safety.MachineMessage;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Everybody's dictionary, the shop's own, and what its machines said. */
@Repository
public class Messages {

    private final DSLContext db;
    private final Machines machines;
    private final Journal journal;
    private final Live live;

    Messages(DSLContext db, Machines machines, Journal journal, Live live) {
        this.db = db;
        this.machines = machines;
        this.journal = journal;
        this.live = live;
    }

    /** @param key by which it is told again: {@code INK_LOW}, {@code own/3} */
    record Message(String key, String wording, String meaning, String act, boolean own) {
        private boolean has(String words) {
            var text = (wording + " " + meaning).toLowerCase(Locale.ROOT);
            return Stream.of(words.strip().toLowerCase(Locale.ROOT).split("\\s+"))
                    .allMatch(text::contains);
        }
    }

    /** @param message its key; empty for one that no dictionary knows */
    record Said(
            long entry,
            Instant at,
            long machine,
            String machineName,
            String wording,
            String message,
            String did,
            Outcome outcome) {}

    /** @param machine whose way of counting ink decides what is safe; null for any */
    List<Message> matching(String words, @Nullable Long machine) {
        var chips = machine == null ? null : machines.get(machine).fit().chips();
        var all = new ArrayList<Message>();
        db.selectFrom(OWN_MESSAGE)
                .where(OWN_MESSAGE.GONE.isFalse())
                .orderBy(OWN_MESSAGE.WORDING)
                .forEach(r ->
                        all.add(new Message("own/" + r.getId(), r.getWording(), r.getMeaning(), r.getSafeAct(), true)));
        all.removeIf(m -> !m.has(words));
        MachineMessage.matching(words)
                .forEach(m -> all.add(new Message(
                        m.name(), m.wording(), m.meaning(), chips == null ? m.act() : m.act(chips), false)));
        return all;
    }

    /** What was said lately, the newest first. */
    List<Said> said(@Nullable Long machine, int most) {
        return db.select(MESSAGE_HEARD.asterisk(), MACHINE.NAME)
                .from(MESSAGE_HEARD)
                .join(MACHINE)
                .on(MACHINE.ID.eq(MESSAGE_HEARD.MACHINE_ID))
                .where(machine == null ? DSL.noCondition() : MESSAGE_HEARD.MACHINE_ID.eq(machine))
                .orderBy(MESSAGE_HEARD.AT.desc(), MESSAGE_HEARD.ID.desc())
                .limit(most)
                .fetch(r -> new Said(
                        r.get(MESSAGE_HEARD.ENTRY_ID),
                        r.get(MESSAGE_HEARD.AT).toInstant(),
                        r.get(MESSAGE_HEARD.MACHINE_ID),
                        r.get(MACHINE.NAME),
                        r.get(MESSAGE_HEARD.WORDING),
                        r.get(MESSAGE_HEARD.MESSAGE),
                        r.get(MESSAGE_HEARD.DID),
                        Outcome.valueOf(r.get(MESSAGE_HEARD.OUTCOME))));
    }

    @Transactional
    public void explain(String wording, String meaning, String act) {
        if (db.fetchExists(OWN_MESSAGE, OWN_MESSAGE.GONE.isFalse().and(OWN_MESSAGE.WORDING.equalIgnoreCase(wording)))) {
            throw Problem.atField("wording", "This one is explained already.");
        }
        db.insertInto(OWN_MESSAGE)
                .set(OWN_MESSAGE.WORDING, wording)
                .set(OWN_MESSAGE.MEANING, meaning)
                .set(OWN_MESSAGE.SAFE_ACT, act)
                .execute();
        live.changed("messages");
    }

    @Transactional
    void explainNoMore(long id) {
        db.update(OWN_MESSAGE)
                .set(OWN_MESSAGE.GONE, true)
                .where(OWN_MESSAGE.ID.eq(id))
                .execute();
        live.changed("messages");
    }

    /** A machine said it. @param message a key, or empty */
    @Transactional
    public void heard(long machine, Consequence.Heard heard) {
        var name = machines.get(machine).name();
        journal.write(
                NewEntry.of(
                                EntryKind.NOTE,
                                "%s said “%s”: %s – %s"
                                        .formatted(
                                                name,
                                                heard.wording(),
                                                heard.did(),
                                                heard.outcome().words()))
                        .machine(machine),
                List.of(),
                List.of(heard));
    }

    void take(Act act, Consequence.Heard heard) {
        db.insertInto(MESSAGE_HEARD)
                .set(MESSAGE_HEARD.ENTRY_ID, act.entry())
                .set(MESSAGE_HEARD.MACHINE_ID, act.machine())
                .set(MESSAGE_HEARD.AT, act.at().atOffset(ZoneOffset.UTC))
                .set(MESSAGE_HEARD.WORDING, heard.wording())
                .set(MESSAGE_HEARD.MESSAGE, heard.message())
                .set(MESSAGE_HEARD.DID, heard.did())
                .set(MESSAGE_HEARD.OUTCOME, heard.outcome().name())
                .execute();
        live.changed("messages");
    }
}
