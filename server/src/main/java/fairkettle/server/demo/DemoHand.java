package fairkettle.server.demo;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.POSTING;

import fairkettle.path.Place;
import fairkettle.server.benches.Machines;
import fairkettle.standin.Act;
import fairkettle.standin.Standins;
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
    private final Machines machines;
    private volatile boolean running;

    DemoHand(DSLContext db, Machines machines) {
        this.db = db;
        this.machines = machines;
    }

    void follow(Standins bench) {
        running = true;
        long from = newest();
        Thread.ofVirtual().name("demo-hand").start(() -> {
            long last = from;
            while (running) {
                try {
                    Thread.sleep(ROUND);
                    last = copy(bench, last);
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

    private long copy(Standins bench, long last) {
        long now = last;
        for (var entry : db.selectFrom(ENTRY)
                .where(ENTRY.ID.gt(last))
                .and(ENTRY.MACHINE_ID.isNotNull())
                .orderBy(ENTRY.ID)
                .limit(50)) {
            now = entry.getId();
            var machine = bench.machine(machines.get(entry.getMachineId()).name());
            for (var act : acts(entry.getId(), entry.getMachineId(), entry.getKind(), entry.getWords())) {
                try {
                    machine.take(act);
                } catch (IllegalArgumentException e) {
                    LOG.debug("{}", e.getMessage()); // the machine refuses: as real ones do
                }
            }
        }
        return now;
    }

    private List<Act> acts(long entry, long machine, String kind, String words) {
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

    private static @Nullable Act said(String kind, String words) {
        if (kind.equals("pad")) {
            return new Act.NewPad();
        }
        if (!kind.equals("step")) {
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
