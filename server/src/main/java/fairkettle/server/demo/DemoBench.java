package fairkettle.server.demo;

import fairkettle.ink.ChannelCode;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.climate.Room;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.printing.Printers;
import fairkettle.server.shop.SimulatedBench;
import fairkettle.standin.Standins;
import java.io.IOException;
import java.net.BindException;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The demo shop's machines, simulated: printers in the network that hold and miss what the shop's log says. */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoBench implements SimulatedBench, AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(DemoBench.class);
    private static final long SEED = 2330;
    private static final long MILLIS_PER_PAGE = 1200;

    private final Machines machines;
    private final Checks checks;
    private final Ledger ledger;
    private final Printers printers;
    private final Room room;
    private final DemoHand hand;
    private final Clock clock;
    private final int port;
    private @Nullable Standins bench;

    DemoBench(
            Machines machines,
            Checks checks,
            Ledger ledger,
            Printers printers,
            Room room,
            DemoHand hand,
            Clock clock,
            @Value("${kettle.bench-port:8651}") int port) {
        this.machines = machines;
        this.checks = checks;
        this.ledger = ledger;
        this.printers = printers;
        this.room = room;
        this.hand = hand;
        this.clock = clock;
        this.port = port;
    }

    /** Sets up a printer for every machine, which misses what was missing in its last check. */
    Standins stand() throws IOException {
        var all = machines.all();
        var wanted = all.stream()
                .map(m -> new Standins.Wanted(m.name(), m.profile(), !m.fit().levelsCount()))
                .toList();
        var started = start(wanted);
        bench = started;
        for (var machine : all) {
            var simulated = started.machine(machine.name());
            checks.latest(machine.id(), 1)
                    .forEach((code, found) ->
                            simulated.clog(code, found.getFirst().missing()));
            printers.set(
                    machine.id(),
                    started.printer(machine.name()).toString(),
                    machine.profile().codes().stream().anyMatch(ChannelCode::white));
        }
        room.probe("http://127.0.0.1:%d/probe".formatted(started.port()));
        hand.begin();
        LOG.info("The simulated bench stands at http://127.0.0.1:{}/", started.port());
        return started;
    }

    /** Lets every vessel hold what the account says; where there is no ink, none has dried. */
    void level(Standins bench) {
        for (var machine : machines.all()) {
            var simulated = bench.machine(machine.name());
            if (!machine.inked() || machine.parked()) {
                simulated.rested();
            }
            var holds = ledger.ofMachineNow(machine.id());
            machine.profile()
                    .channels()
                    .forEach(c -> simulated.level(
                            c.code().code(),
                            holds.getOrDefault(
                                            new Place.InPath(
                                                    machine.id(),
                                                    c.code(),
                                                    c.first().kind()),
                                            Mixture.EMPTY)
                                    .volume()
                                    .mL()));
        }
    }

    private Standins start(List<Standins.Wanted> wanted) throws IOException {
        try {
            return Standins.start(wanted, SEED, port, clock, MILLIS_PER_PAGE);
        } catch (BindException e) {
            return Standins.start(wanted, SEED, 0, clock, MILLIS_PER_PAGE);
        }
    }

    @Override
    public String url() {
        return "http://127.0.0.1:%d/".formatted(bench == null ? port : bench.port());
    }

    @Override
    public void close() {
        hand.stop();
        if (bench != null) {
            bench.close();
        }
    }
}
