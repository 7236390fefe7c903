package fairkettle.standin;

import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppOutputStream;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpServer;
import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsExchange;
import com.sun.net.httpserver.HttpsServer;
import fairkettle.machine.Profile;
import fairkettle.standin.machine.Act;
import fairkettle.standin.machine.Climate;
import fairkettle.standin.machine.SimMachine;
import fairkettle.standin.machine.Trouble;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;

/**
 * A bench of simulated machines on loopback: each an IPP printer under {@code /ipp/NAME}, with its tray under
 * {@code /tray/NAME}, and a probe of the room's air under {@code /probe}.
 */
public final class Standins implements AutoCloseable {

    private static final int LARGEST = 40_000_000; // bytes of one document
    private static final int PICTURE_WIDTH = 700; // px of what lies in a tray
    private static final int DOCUMENT = 1500; // bytes that a request without a document never has

    private final HttpServer http;
    private @Nullable HttpsServer https;
    private final Map<String, IppPrinter> printers = new LinkedHashMap<>();
    private final Climate climate;
    private final Clock clock;
    private final Map<String, Paper> frames = new LinkedHashMap<>();

    /** @param chipsIgnored true for a machine whose chips say “full” for ever */
    public record Wanted(String name, Profile profile, boolean chipsIgnored) {}

    private Standins(HttpServer http, Climate climate, Clock clock) {
        this.http = http;
        this.climate = climate;
        this.clock = clock;
    }

    /**
     * @param port 0 for any that is free
     * @param clock the bench's own time; it may run fast
     * @param millisPerPage of real time
     */
    public static Standins start(List<Wanted> machines, long seed, int port, Clock clock, long millisPerPage)
            throws IOException {
        var climate = new Climate(seed);
        var standins = new Standins(
                HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0), climate, clock);
        for (int i = 0; i < machines.size(); i++) {
            var wanted = machines.get(i);
            var machine = new SimMachine(
                    wanted.name(), wanted.profile(), seed * 31 + i, climate, clock.instant(), wanted.chipsIgnored());
            standins.printers.put(key(wanted.name()), new IppPrinter(machine, clock, millisPerPage));
        }
        standins.http.createContext("/ipp/", standins.guarded(standins::ipp));
        standins.http.createContext("/tray/", standins.guarded(standins::tray));
        standins.http.createContext("/act/", standins.guarded(standins::act));
        standins.http.createContext("/fault/", standins.guarded(standins::fault));
        standins.http.createContext("/probe", standins.guarded(standins::probe));
        standins.http.createContext("/spoil/", standins.guarded(standins::spoil));
        standins.http.createContext("/", standins.guarded(new BenchPage(standins)::serve));
        standins.http.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        standins.http.start();
        return standins;
    }

    /**
     * Lets the printers be reached by {@code ipps} too, on a port of its own, under a certificate that they sign
     * themselves.
     */
    public synchronized void secure() throws IOException {
        int port = https == null ? 0 : https.getAddress().getPort();
        if (https != null) {
            https.stop(0);
        }
        https = HttpsServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        https.setHttpsConfigurator(new HttpsConfigurator(Certificate.fresh()));
        https.createContext("/ipp/", guarded(this::ipp));
        https.setExecutor(Executors.newVirtualThreadPerTaskExecutor());
        https.start();
    }

    /** Where a machine's printer is by TLS. @throws IllegalStateException unless {@link #secure} was called */
    public URI securePrinter(String name) {
        if (https == null) {
            throw new IllegalStateException("This bench has no certificate yet: call secure() first.");
        }
        return URI.create(
                "ipps://127.0.0.1:%d/ipp/%s".formatted(https.getAddress().getPort(), key(name)));
    }

    private static String key(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    public int port() {
        return http.getAddress().getPort();
    }

    /** Where a machine's printer is, for a client. */
    public URI printer(String name) {
        return URI.create("ipp://127.0.0.1:%d/ipp/%s".formatted(port(), key(name)));
    }

    /** @throws IllegalArgumentException if there is no such machine */
    public SimMachine machine(String name) {
        return found(name).machine();
    }

    private IppPrinter found(String name) {
        var printer = printers.get(key(name));
        if (printer == null) {
            throw new IllegalArgumentException(
                    "No machine of this bench is called %s. There are: %s.".formatted(name, printers.keySet()));
        }
        printer.machine().advance(clock.instant());
        return printer;
    }

    /** Prints a PDF at once, without the network. */
    public void print(String name, byte[] pdf) throws IOException {
        var printer = found(name);
        try {
            Printing.document(printer.machine(), pdf, "application/pdf", false).forEach(printer::lay);
        } catch (Printing.Unprintable e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    /** A picture of the machine's own nozzle check as it prints now, in its reading frame if one was printed. */
    public byte[] pictureOfCheck(String name, boolean white, Snapshot.With with, long seed) {
        return Snapshot.of(check(found(name), white), with, seed);
    }

    /** A picture of the newest page in its tray. */
    public byte[] pictureOfPage(String name, Snapshot.With with, long seed) {
        return Snapshot.of(found(name).tray().getLast(), with, seed);
    }

    /** Lets its printer take these kinds of document alone. */
    public void takes(String name, String... formats) {
        found(name).takes(List.of(formats));
    }

    /** The least rectangle that holds all that is printed on its newest page: left, top, right and low, in mm. */
    public double[] marks(String name) {
        return found(name).tray().getLast().marks();
    }

    /** How many pages lie in its tray. */
    public int pages(String name) {
        return found(name).tray().size();
    }

    /**
     * Lets something go wrong with its printer: one of NONE, OFFLINE, REFUSES, SLOW, FITS, HANGS_UP,
     * TAKES_AND_HANGS_UP, PAPER_OUT, PAPER_IN.
     */
    public void fault(String name, String word) {
        if (word.startsWith("PAPER_")) {
            found(name).machine().paperOut(word.equals("PAPER_OUT"));
        } else {
            found(name).fault(IppPrinter.Fault.valueOf(word));
        }
    }

    @Override
    public void close() {
        http.stop(0);
        if (https != null) {
            https.stop(0);
        }
        printers.values().forEach(IppPrinter::close);
    }

    // ---- over the network ----------------------------------------------------------------------------------------

    private HttpHandler guarded(HttpHandler handler) {
        return exchange -> {
            try (exchange) {
                try {
                    ownPagesAlone(exchange);
                    handler.handle(exchange);
                } catch (IllegalArgumentException e) {
                    send(
                            exchange,
                            404,
                            "text/plain",
                            String.valueOf(e.getMessage()).getBytes(StandardCharsets.UTF_8));
                }
            }
        };
    }

    /** No other site that somebody has open does anything to these machines. */
    private static void ownPagesAlone(HttpExchange exchange) {
        var origin = exchange.getRequestHeaders().getFirst("Origin");
        if (origin != null
                && !origin.endsWith("://" + exchange.getRequestHeaders().getFirst("Host"))) {
            throw new IllegalArgumentException("Only the bench’s own page does something to it.");
        }
    }

    private void ipp(HttpExchange exchange) throws IOException {
        var printer = found(path(exchange, 2));
        if (printer.fault() == IppPrinter.Fault.OFFLINE) {
            return; // nobody answers
        }
        if (!exchange.getRequestMethod().equals("POST")
                || !"application/ipp".equals(exchange.getRequestHeaders().getFirst("Content-Type"))) {
            send(exchange, 400, "text/plain", "An IPP printer.".getBytes(StandardCharsets.UTF_8));
            return;
        }
        var body = exchange.getRequestBody().readNBytes(LARGEST + 1);
        if (body.length > LARGEST) {
            send(exchange, 413, "text/plain", new byte[0]);
            return;
        }
        if (printer.fault() == IppPrinter.Fault.HANGS_UP && body.length > DOCUMENT) {
            return; // took the document and hung up without a word
        }
        var in = new IppInputStream(new ByteArrayInputStream(body));
        var request = in.readPacket();
        var answer = printer.answer(
                request,
                in.readAllBytes(),
                URI.create("%s://%s/ipp/%s"
                        .formatted(
                                exchange instanceof HttpsExchange ? "ipps" : "ipp",
                                exchange.getRequestHeaders().getFirst("Host"),
                                path(exchange, 2))));
        if (printer.fault() == IppPrinter.Fault.TAKES_AND_HANGS_UP && body.length > DOCUMENT) {
            return; // it prints, and nobody is told
        }
        var out = new ByteArrayOutputStream();
        new IppOutputStream(out).write(answer);
        send(exchange, 200, "application/ipp", out.toByteArray());
    }

    /**
     * What lies in the tray, and pictures of it: {@code /tray/bramble}, {@code /tray/bramble/0.jpg?with=phone},
     * {@code /tray/bramble/check.jpg}; {@code /tray/bramble/0.png} as it lies there.
     */
    private void tray(HttpExchange exchange) throws IOException {
        var printer = found(path(exchange, 2));
        var what = path(exchange, 3);
        var with = String.valueOf(exchange.getRequestURI().getQuery()).contains("scanner")
                ? Snapshot.With.SCANNER
                : Snapshot.With.PHONE;
        var pages = printer.tray();
        if (what.equals("check.jpg") || what.equals("white.jpg")) {
            send(
                    exchange,
                    200,
                    "image/jpeg",
                    Snapshot.of(check(printer, what.equals("white.jpg")), with, System.identityHashCode(exchange)));
        } else if (what.endsWith(".jpg")) {
            int index = number(what);
            send(exchange, 200, "image/jpeg", Snapshot.of(page(pages, index), with, index * 31L + pages.size()));
        } else if (what.endsWith(".png")) {
            send(exchange, 200, "image/png", page(pages, number(what)).png(PICTURE_WIDTH));
        } else {
            send(
                    exchange,
                    200,
                    "application/json",
                    "{\"machine\":\"%s\",\"pages\":%d}"
                            .formatted(printer.machine().name(), pages.size())
                            .getBytes(StandardCharsets.UTF_8));
        }
    }

    /** The machine's own check, laid into the reading frame where one was printed: the newest half page in any tray. */
    private Paper check(IppPrinter printer, boolean white) {
        var strip = Printing.check(printer.machine(), white);
        var frame = printer.tray().reversed().stream()
                .filter(p -> p.heightMm < 160 && p.widthMm > 200)
                .findFirst();
        frame.ifPresent(f -> frames.put(printer.machine().name(), f));
        var kept = Optional.ofNullable(frames.get(printer.machine().name()));
        if (kept.isEmpty()) {
            return strip;
        }
        var whole = Paper.copy(kept.get());
        whole.put(strip, whole.widthMm / 2 + 3, whole.heightMm / 2 - 4, 1.2);
        return whole;
    }

    /** @param index from the newest, 0 */
    private static Paper page(List<Paper> pages, int index) {
        if (index < 0 || index >= pages.size()) {
            throw new IllegalArgumentException("There is no such page in the tray.");
        }
        return pages.get(pages.size() - 1 - index);
    }

    private static int number(String file) {
        try {
            return Integer.parseInt(file.substring(0, file.length() - 4));
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("There is no such page in the tray.", e);
        }
    }

    /**
     * {@code POST /act/bramble} with the name of an act and, where it needs them, channel and mL: {@code Fill C 20}.
     */
    private void act(HttpExchange exchange) throws IOException {
        var printer = found(path(exchange, 2));
        var words = new String(exchange.getRequestBody().readNBytes(200), StandardCharsets.UTF_8)
                .strip()
                .split(" +");
        var channel = words.length > 1 ? words[1] : "";
        double amount = words.length > 2
                ? Double.parseDouble(words[2])
                : words.length > 1 && channel.matches("[0-9.]+") ? Double.parseDouble(channel) : 0;
        if (words[0].equals("Check")) {
            printer.lay(Printing.check(printer.machine(), false));
            send(exchange, 204, "text/plain", new byte[0]);
            return;
        }
        Act act = switch (words[0]) {
            case "Clean" -> new Act.Clean();
            case "PowerClean" -> new Act.PowerClean();
            case "Purge" -> new Act.Purge(channel, amount);
            case "Soak" -> new Act.Soak(amount);
            case "OvernightSoak" -> new Act.OvernightSoak();
            case "DrawAtCartridge" -> new Act.DrawAtCartridge(channel, amount);
            case "DrawAtWasteLine" -> new Act.DrawAtWasteLine(channel, amount);
            case "PushAir" -> new Act.PushAir(channel);
            case "FluidAtInlet" -> new Act.FluidAtInlet(channel, amount);
            case "Fill" -> new Act.Fill(channel, amount);
            case "WrongInk" -> new Act.WrongInk(channel, amount);
            case "Agitate" -> new Act.Agitate(channel);
            case "Circulate" -> new Act.Circulate();
            case "FlushWhiteLine" -> new Act.FlushWhiteLine(channel);
            case "OpenVent" -> new Act.OpenVent(channel);
            case "ShutVent" -> new Act.ShutVent(channel);
            case "OpenValve" -> new Act.OpenValve(channel);
            case "ShutValve" -> new Act.ShutValve(channel);
            case "WipePlate" -> new Act.WipePlate();
            case "CleanCap" -> new Act.CleanCap();
            case "NewCap" -> new Act.NewCap();
            case "NewWiper" -> new Act.NewWiper();
            case "NewDamper" -> new Act.NewDamper(channel);
            case "NewPad" -> new Act.NewPad();
            case "NewHead" -> new Act.NewHead();
            case "Renew" -> new Act.Renew(channel);
            case "ResetChip" -> new Act.ResetChip(channel);
            default -> throw new IllegalArgumentException("No act is called %s.".formatted(words[0]));
        };
        printer.machine().take(act);
        send(exchange, 204, "text/plain", new byte[0]);
    }

    /** {@code POST /fault/bramble} with a word of {@link #fault(String, String)}. */
    private void fault(HttpExchange exchange) throws IOException {
        fault(path(exchange, 2), new String(exchange.getRequestBody().readNBytes(40), StandardCharsets.UTF_8).strip());
        send(exchange, 204, "text/plain", new byte[0]);
    }

    /**
     * {@code POST /spoil/bramble} with the name of a trouble and, where it befalls one, a channel: {@code AIR C}; or
     * {@code WELL}.
     */
    private void spoil(HttpExchange exchange) throws IOException {
        var machine = found(path(exchange, 2)).machine();
        var words = new String(exchange.getRequestBody().readNBytes(40), StandardCharsets.UTF_8)
                .strip()
                .split(" +");
        if (words[0].equals("WELL")) {
            machine.makeWell();
        } else {
            machine.spoil(Trouble.valueOf(words[0]), words.length > 1 ? words[1] : "");
        }
        send(exchange, 204, "text/plain", new byte[0]);
    }

    /** All printers, as they are now. */
    List<IppPrinter> printers() {
        return printers.keySet().stream().map(this::found).toList();
    }

    Instant now() {
        return clock.instant();
    }

    /** The room’s air, as the probe reads it. */
    public Climate.Air air() {
        return climate.at(clock.instant());
    }

    private void probe(HttpExchange exchange) throws IOException {
        var air = air();
        send(
                exchange,
                200,
                "application/json",
                "{\"at\":\"%s\",\"celsius\":%s,\"humidity\":%s}"
                        .formatted(clock.instant(), air.celsius(), air.humidity())
                        .getBytes(StandardCharsets.UTF_8));
    }

    private static String path(HttpExchange exchange, int part) {
        var parts = exchange.getRequestURI().getPath().split("/");
        return parts.length > part ? parts[part] : "";
    }

    static void send(HttpExchange exchange, int status, String type, byte[] body) throws IOException {
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
        if (body.length > 0) {
            exchange.getResponseBody().write(body);
        }
    }
}
