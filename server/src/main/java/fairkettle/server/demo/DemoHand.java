package fairkettle.server.demo;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.POSTING;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.path.Place;
import fairkettle.standin.Standins;
import fairkettle.standin.machine.Act;
import fairkettle.standin.machine.SimMachine;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Does to the simulated machines what people say in the product that they did: it reads the log, and nothing else. */
@Component
class DemoHand {

    private static final Logger LOG = LoggerFactory.getLogger(DemoHand.class);
    private static final long ROUND = 1000; // ms
    private static final double POWER = 4; // mL into the pad, per channel, that only a power cleaning takes

    private final DSLContext db;
    private volatile boolean running;
    private long last; // entry that was copied

    DemoHand(DSLContext db) {
        this.db = db;
    }

    /** What was done before is known. */
    synchronized void begin() {
        last = newest();
    }

    /** Copies whatever is done from here on. */
    void follow(Standins bench) {
        running = true;
        Thread.ofVirtual().name("demo-hand").start(() -> {
            while (running) {
                try {
                    Thread.sleep(ROUND);
                    copy(bench);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                } catch (RuntimeException e) {
                    LOG.debug("The hand slipped: {}", e.getMessage());
                }
            }
        });
    }

    void stop() {
        running = false;
    }

    private long newest() {
        var id = db.select(DSL.max(ENTRY.ID)).from(ENTRY).fetchOne(0, Long.class);
        return id == null ? 0 : id;
    }

    /** Copies what was done since. */
    synchronized void copy(Standins bench) {
        var entries = db.select(ENTRY.ID, ENTRY.KIND, ENTRY.WORDS, ENTRY.TOPIC, MACHINE.NAME)
                .from(ENTRY)
                .join(MACHINE)
                .on(MACHINE.ID.eq(ENTRY.MACHINE_ID))
                .where(ENTRY.ID.gt(last))
                .orderBy(ENTRY.ID)
                .limit(50)
                .fetch();
        for (var entry : entries) {
            last = entry.value1();
            var machine = bench.machine(entry.value5());
            var acts = acts(entry.value1(), entry.value2(), entry.value3());
            if (entry.value2() == EntryKind.UPKEEP && entry.value4() != null) {
                acts.addAll(upkeep(entry.value4(), machine));
            }
            for (var act : acts) {
                try {
                    machine.take(act);
                } catch (IllegalArgumentException e) {
                    LOG.debug("{}", e.getMessage()); // the machine refuses: as real ones do
                }
            }
        }
    }

    private List<Act> acts(long entry, EntryKind kind, String words) {
        var acts = new ArrayList<Act>();
        double pad = 0;
        var filled = new LinkedHashMap<String, Double>();
        var drawn = new LinkedHashMap<String, Double>();
        boolean paper = false;
        for (var posting : db.selectFrom(POSTING).where(POSTING.ENTRY_ID.eq(entry))) {
            double mL = posting.getMicrolitres() / 1000.0;
            switch (Place.parse(posting.getPlace())) {
                case Place.Pad _ -> pad += mL;
                case Place.InPath(var _, var code, var _) ->
                    (mL > 0 ? filled : drawn).merge(code.code(), Math.abs(mL), Double::sum);
                case Place.Outside outside -> paper |= outside == Place.Outside.PAPER;
                case Place.Bottle _, Place.Tray _, Place.Waste _ -> {}
            }
        }
        if (pad > 0) {
            acts.add(pad / Math.max(1, drawn.size()) >= POWER ? new Act.PowerClean() : new Act.Clean());
        } else if (!paper) {
            drawn.forEach((code, mL) -> {
                if (mL > filled.getOrDefault(code, 0.0)) {
                    acts.add(new Act.DrawAtCartridge(code, mL - filled.getOrDefault(code, 0.0)));
                }
            });
            filled.forEach((code, mL) -> {
                if (mL > drawn.getOrDefault(code, 0.0)) {
                    acts.add(new Act.Fill(code, mL - drawn.getOrDefault(code, 0.0)));
                }
            });
        }
        var said = said(kind, words.toLowerCase(Locale.ROOT));
        if (said != null) {
            acts.add(said);
        }
        return acts;
    }

    /** What a routine does to a machine. @param topic its id, and its channel unless it is all of them */
    private static List<Act> upkeep(String topic, SimMachine machine) {
        int slash = topic.indexOf('/');
        var routine = slash < 0 ? topic : topic.substring(0, slash);
        var codes = slash < 0
                ? machine.profile().codes().stream().map(ChannelCode::code).toList()
                : List.of(topic.substring(slash + 1));
        return switch (routine) {
            case "purge" ->
                codes.stream()
                        .<Act>map(c -> new Act.Purge(
                                c, machine.profile().draws().sheet().mL()))
                        .toList();
            case "shake" -> codes.stream().<Act>map(Act.Agitate::new).toList();
            case "move-white" -> List.of(new Act.Circulate());
            case "cap-rim", "cap-lines" -> List.of(new Act.CleanCap());
            case "wiper", "plate-edges" -> List.of(new Act.WipePlate());
            case "damper", "white-damper" ->
                codes.stream().<Act>map(Act.NewDamper::new).toList();
            default -> List.of();
        };
    }

    private static @Nullable Act said(EntryKind kind, String words) {
        if (kind == EntryKind.PAD) {
            return new Act.NewPad();
        }
        if (kind != EntryKind.STEP) {
            return null;
        }
        if (words.contains("wipe")) {
            return new Act.WipePlate();
        }
        if (words.contains("soak") || words.contains("wet cloth")) {
            return new Act.Soak(8);
        }
        return words.contains("cap") && words.contains("clean") ? new Act.CleanCap() : null;
    }
}
