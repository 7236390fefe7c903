package fairkettle.server.printing;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.model.JobState;
import com.hp.jipp.model.MediaCol;
import com.hp.jipp.model.PrintScaling;
import com.hp.jipp.model.PrinterState;
import com.hp.jipp.model.Sides;
import com.hp.jipp.model.Types;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/** Speaks IPP to one printer. Whatever a printer may do wrong ends in an {@link IOException} within half a minute. */
final class IppClient {

    private static final Duration CONNECT = Duration.ofSeconds(4);
    private static final Duration ANSWER = Duration.ofSeconds(20);
    private static final int LARGEST = 1_000_000; // bytes of an answer

    private final URI printer;
    private final HttpClient http;

    IppClient(URI printer, PrinterTrust trust) {
        this.printer = printer;
        this.http = HttpClient.newBuilder()
                .connectTimeout(CONNECT)
                .version(HttpClient.Version.HTTP_1_1)
                .sslContext(trust.context())
                .build();
    }

    /**
     * A supply as the printer itself counts it: a guess, and with chips ignored not even that. @param percent empty if
     * it does not say
     */
    record Supply(String name, Optional<Integer> percent) {}

    /**
     * @param ready whether it takes and prints a job now; @param trouble what it says is wrong, in its own keywords
     * @param keepsSize whether it says that it can leave a page’s size alone
     */
    record Status(
            boolean ready,
            boolean accepting,
            boolean idle,
            List<String> trouble,
            List<String> formats,
            List<Supply> supplies,
            boolean keepsSize) {}

    /** @param state of the job; @param reasons keywords */
    record JobLook(JobState state, List<String> reasons) {

        boolean over() {
            return state.getCode() >= JobState.canceled.getCode();
        }
    }

    /** The printer answered, and the answer is no. */
    static final class Refused extends IOException {
        Refused(String message) {
            super(message);
        }
    }

    Status status() throws IOException {
        var answer = ask(IppPacket.getPrinterAttributes(printer), new byte[0]);
        var group = answer.get(Tag.printerAttributes);
        if (group == null) {
            throw new IOException("it says nothing of itself");
        }
        var trouble = strings(group, "printer-state-reasons").stream()
                .filter(r -> !r.equals("none"))
                .toList();
        var state = group.getValue(Types.printerState);
        boolean accepting = !Boolean.FALSE.equals(group.getValue(Types.printerIsAcceptingJobs));
        return new Status(
                accepting && state != null && !state.equals(PrinterState.stopped),
                accepting,
                PrinterState.idle.equals(state),
                trouble,
                strings(group, "document-format-supported"),
                supplies(group),
                strings(group, "print-scaling-supported").contains("none"));
    }

    private static List<Supply> supplies(AttributeGroup group) {
        var names = strings(group, "marker-names");
        var levels = group.get("marker-levels");
        var all = new ArrayList<Supply>();
        for (int i = 0; i < names.size(); i++) {
            var level = levels != null && i < levels.size() && levels.get(i) instanceof Integer v ? v : -1;
            all.add(new Supply(names.get(i), level < 0 || level > 100 ? Optional.empty() : Optional.of(level)));
        }
        return all;
    }

    private static List<String> strings(AttributeGroup group, String name) {
        Attribute<?> attribute = group.get(name);
        return attribute == null ? List.of() : attribute.strings();
    }

    void validate(String name, String format, Documents.Size size) throws IOException {
        ask(described(IppPacket.validateJob(printer), name, format, size), new byte[0]);
    }

    /** @return the printer's own number for the job */
    int print(String name, String format, Documents.Size size, byte[] document) throws IOException {
        var answer = ask(described(IppPacket.printJob(printer), name, format, size), document);
        var id = answer.getValue(Tag.jobAttributes, Types.jobId);
        if (id == null) {
            throw new IOException("it gave the job no number");
        }
        return id;
    }

    /** Nothing is fitted to the paper: what was measured comes out as it was measured, once, on one side. */
    private static IppPacket.Builder described(
            IppPacket.Builder request, String name, String format, Documents.Size size) {
        var media = new MediaCol();
        media.setMediaSize(new MediaCol.MediaSize(size.width(), size.length()));
        return request.putOperationAttributes(
                        Types.requestingUserName.of("Fair Kettle"),
                        Types.jobName.of(name),
                        Types.documentFormat.of(format))
                .putJobAttributes(
                        Types.copies.of(1),
                        Types.sides.of(Sides.oneSided),
                        Types.printScaling.of(PrintScaling.none),
                        Types.mediaCol.of(media));
    }

    JobLook job(int id) throws IOException {
        var answer = ask(IppPacket.getJobAttributes(printer, id, Types.jobState, Types.jobStateReasons), new byte[0]);
        var group = answer.get(Tag.jobAttributes);
        var state = group == null ? null : group.getValue(Types.jobState);
        if (group == null || state == null) {
            throw new IOException("it says nothing of the job");
        }
        return new JobLook(state, strings(group, "job-state-reasons"));
    }

    void cancel(int id) throws IOException {
        ask(
                IppPacket.cancelJob(printer, id).putOperationAttributes(Types.requestingUserName.of("Fair Kettle")),
                new byte[0]);
    }

    /** Looks for a job by the name it was sent under: whether a document arrived before the line broke. */
    Optional<Integer> find(String name) throws IOException {
        for (var which : List.of("not-completed", "completed")) {
            var request = IppPacket.getJobs(printer, Types.jobId, Types.jobName)
                    .putOperationAttributes(Types.whichJobs.of(which));
            for (var group : ask(request, new byte[0]).getAttributeGroups()) {
                if (group.getTag() == Tag.jobAttributes && name.equals(group.getString(Types.jobName))) {
                    return Optional.of(Objects.requireNonNull(group.getValue(Types.jobId)));
                }
            }
        }
        return Optional.empty();
    }

    private IppPacket ask(IppPacket.Builder request, byte[] document) throws IOException {
        var out = new ByteArrayOutputStream();
        new IppOutputStream(out).write(request.build());
        out.write(document);
        boolean secure = printer.getScheme().equals("ipps");
        int port = printer.getPort() < 0 ? 631 : printer.getPort();
        var target = URI.create(
                "%s://%s:%d%s".formatted(secure ? "https" : "http", printer.getHost(), port, printer.getRawPath()));
        try {
            var answer = http.send(
                    HttpRequest.newBuilder(target)
                            .timeout(ANSWER)
                            .header("Content-Type", "application/ipp")
                            .POST(HttpRequest.BodyPublishers.ofByteArray(out.toByteArray()))
                            .build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = answer.body()) {
                if (answer.statusCode() != 200) {
                    throw new Refused(
                            "it answers with HTTP %d: no printer under this address".formatted(answer.statusCode()));
                }
                var packet = new IppInputStream(new ByteArrayInputStream(body.readNBytes(LARGEST))).readPacket();
                if (packet.getCode() >= 0x400) {
                    throw new Refused(words(packet.getStatus().getName()));
                }
                return packet;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted", e);
        } catch (RuntimeException e) {
            throw new IOException("its answer makes no sense", e);
        }
    }

    private static String words(String status) {
        return switch (status) {
            case "server-error-not-accepting-jobs" -> "it takes no jobs now";
            case "server-error-busy" -> "it is busy";
            case "client-error-document-format-not-supported" -> "it does not print this kind of document";
            case "client-error-not-authorized", "client-error-forbidden", "client-error-not-authenticated" ->
                "it wants a password";
            default -> "it says " + status;
        };
    }
}
