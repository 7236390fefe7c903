package fairkettle.standin;

import com.sun.net.httpserver.HttpExchange;
import fairkettle.ink.ChannelCode;
import fairkettle.standin.machine.Climate;
import fairkettle.standin.machine.SimMachine;
import fairkettle.standin.machine.Trouble;
import java.io.IOException;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.json.JsonMapper;

/** The bench to look at: trays with what lies in them, the machines from inside, and ways to spoil one. */
final class BenchPage {

    private static final Map<String, String> FILES = Map.of(
            "/", "text/html; charset=utf-8",
            "/bench.css", "text/css; charset=utf-8",
            "/bench.js", "text/javascript; charset=utf-8");

    private final Standins bench;
    private final JsonMapper json = JsonMapper.builder().build();

    BenchPage(Standins bench) {
        this.bench = bench;
    }

    /** @param ofChannel whether it befalls one channel */
    record TroubleJson(String name, String label, boolean ofChannel) {}

    /** @param pages that lie in its tray; {@code leak} and {@code pad} shares of 1 */
    record MachineJson(
            String name,
            String profile,
            String printer,
            int pages,
            boolean white,
            double leak,
            double pad,
            boolean paperOut,
            List<SimMachine.Inside> inside,
            List<SimMachine.Happened> lately) {}

    record BenchJson(Instant at, Climate.Air air, List<TroubleJson> troubles, List<MachineJson> machines) {}

    void serve(HttpExchange exchange) throws IOException {
        var path = exchange.getRequestURI().getPath();
        if (path.equals("/state")) {
            Standins.send(exchange, 200, "application/json", json.writeValueAsBytes(state()));
            return;
        }
        var type = FILES.get(path);
        if (type == null) {
            throw new IllegalArgumentException("Nothing is here.");
        }
        try (var file = BenchPage.class.getResourceAsStream(path.equals("/") ? "bench.html" : path.substring(1))) {
            if (file == null) {
                throw new IllegalStateException("The bench’s page is not in the application.");
            }
            Standins.send(exchange, 200, type, file.readAllBytes());
        }
    }

    private BenchJson state() {
        return new BenchJson(
                bench.now(),
                bench.air(),
                Arrays.stream(Trouble.values())
                        .map(t -> new TroubleJson(t.name(), t.label(), t.ofChannel()))
                        .toList(),
                bench.printers().stream().map(this::machine).toList());
    }

    private MachineJson machine(IppPrinter printer) {
        var machine = printer.machine();
        return new MachineJson(
                machine.name(),
                machine.profile().name(),
                bench.printer(machine.name()).toString(),
                printer.tray().size(),
                machine.profile().codes().stream().anyMatch(ChannelCode::white),
                machine.leak(),
                machine.reportedPad() / 100.0,
                machine.paperOut(),
                machine.inside(),
                machine.lately());
    }
}
