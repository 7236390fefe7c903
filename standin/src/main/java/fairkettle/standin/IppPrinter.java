package fairkettle.standin;

import com.hp.jipp.encoding.Attribute;
import com.hp.jipp.encoding.AttributeGroup;
import com.hp.jipp.encoding.DelimiterTag;
import com.hp.jipp.encoding.IntType;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.KeywordType;
import com.hp.jipp.encoding.MutableAttributeGroup;
import com.hp.jipp.encoding.NameType;
import com.hp.jipp.encoding.Resolution;
import com.hp.jipp.encoding.ResolutionUnit;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.model.Finishing;
import com.hp.jipp.model.JobState;
import com.hp.jipp.model.Operation;
import com.hp.jipp.model.Orientation;
import com.hp.jipp.model.PrintQuality;
import com.hp.jipp.model.PrinterState;
import com.hp.jipp.model.Status;
import com.hp.jipp.model.Types;
import fairkettle.standin.machine.SimMachine;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;

/**
 * One machine as an IPP printer (RFC 8010, RFC 8011). Jobs print one after the other, with the machine's own ink, and
 * lie in its tray afterwards.
 */
final class IppPrinter implements AutoCloseable {

    private static final List<String> FORMATS =
            List.of("application/pdf", "image/jpeg", "image/pwg-raster", "application/octet-stream");
    private static final List<String> VERSIONS = List.of("1.1", "2.0");
    private static final int KEPT = 20; // jobs in the list
    private static final int TRAY = 3; // pages that stay in it: each is some 20 MB

    /** What goes wrong, for those who want to see it. */
    enum Fault {
        NONE,
        OFFLINE,
        REFUSES,
        SLOW,
        FITS,
        HANGS_UP,
        TAKES_AND_HANGS_UP
    }

    private final SimMachine machine;
    private final Clock clock;
    private final Instant since;
    private final Map<Integer, Job> jobs = new LinkedHashMap<>();
    private final List<Paper> tray = new ArrayList<>();
    private final ExecutorService engine;
    private final long millisPerPage;
    private int lastJob;
    private volatile Fault fault = Fault.NONE;
    private volatile List<String> formats = FORMATS;

    /** @param millisPerPage of real time that a page takes */
    IppPrinter(SimMachine machine, Clock clock, long millisPerPage) {
        this.machine = machine;
        this.clock = clock;
        this.since = clock.instant();
        this.millisPerPage = millisPerPage;
        this.engine = Executors.newSingleThreadExecutor(
                Thread.ofPlatform().daemon().name("printer-" + machine.name()).factory());
    }

    private final class Job {
        final int id;
        final String name;
        final String user;
        final Instant made = clock.instant();
        final String format;
        final boolean fitted;
        volatile JobState state = JobState.pending;
        volatile String reason = "none";
        volatile int sheets;
        volatile Optional<Instant> began = Optional.empty();
        volatile Optional<Instant> ended = Optional.empty();

        /** @param fitted whether each page is made smaller, to lie within its own margins */
        Job(int id, String name, String user, String format, boolean fitted) {
            this.id = id;
            this.name = name;
            this.user = user;
            this.format = format;
            this.fitted = fitted;
        }

        boolean over() {
            return state.getCode() >= JobState.canceled.getCode();
        }
    }

    SimMachine machine() {
        return machine;
    }

    Fault fault() {
        return fault;
    }

    void fault(Fault wanted) {
        this.fault = wanted;
    }

    /** As if it took these kinds of document alone. */
    void takes(List<String> only) {
        this.formats = List.copyOf(only);
    }

    synchronized List<Paper> tray() {
        return List.copyOf(tray);
    }

    synchronized void lay(Paper paper) {
        tray.add(paper);
        if (tray.size() > TRAY) {
            tray.removeFirst();
        }
    }

    @Override
    public void close() {
        engine.shutdownNow();
    }

    // ---- requests ----------------------------------------------------------------------------------------------

    /** @param document what follows the request; empty where nothing does */
    IppPacket answer(IppPacket request, byte[] document, URI uri) {
        var answer = handle(request, document, uri);
        answer.setVersionNumber(
                VERSIONS.contains((request.getVersionNumber() >> 8) + "." + (request.getVersionNumber() & 255))
                        ? request.getVersionNumber()
                        : 0x101);
        answer.setRequestId(request.getRequestId());
        return answer.build();
    }

    private IppPacket.Builder handle(IppPacket request, byte[] document, URI uri) {
        int major = request.getVersionNumber() >> 8;
        if (major < 1 || major > 2) {
            return response(Status.serverErrorVersionNotSupported);
        }
        var op = request.get(Tag.operationAttributes);
        if (request.getRequestId() == 0
                || op == null
                || op.size() < 2
                || !op.get(0).getName().equals("attributes-charset")
                || !op.get(1).getName().equals("attributes-natural-language")) {
            return response(Status.clientErrorBadRequest);
        }
        if (!"utf-8".equalsIgnoreCase(op.getString(Types.attributesCharset))
                && !"us-ascii".equalsIgnoreCase(op.getString(Types.attributesCharset))) {
            return response(Status.clientErrorCharsetNotSupported);
        }
        boolean aboutJob = op.get(Types.jobUri) != null;
        if (op.get(Types.printerUri) == null && !aboutJob) {
            return response(Status.clientErrorBadRequest);
        }
        var operation = request.getOperation();
        if (operation.equals(Operation.getPrinterAttributes)) {
            return printer(op, uri);
        } else if (operation.equals(Operation.validateJob)
                || operation.equals(Operation.printJob)
                || operation.equals(Operation.createJob)) {
            return print(operation, op, fitted(request), document, uri);
        } else if (operation.equals(Operation.sendDocument)) {
            return send(op, document, uri);
        } else if (operation.equals(Operation.getJobAttributes)) {
            return withJob(
                    op,
                    job -> response(Status.successfulOk)
                            .addGroup(chosen(jobAttributes(job, uri), op, DelimiterTag.jobAttributes)));
        } else if (operation.equals(Operation.getJobs)) {
            return list(op, uri);
        } else if (operation.equals(Operation.cancelJob)) {
            return withJob(op, this::cancel);
        }
        return response(Status.serverErrorOperationNotSupported);
    }

    private static IppPacket.Builder response(Status status) {
        var builder = IppPacket.response(status);
        return builder;
    }

    private IppPacket.Builder print(Operation operation, AttributeGroup op, boolean fitted, byte[] document, URI uri) {
        var format = format(op);
        if (!formats.contains(format)) {
            return response(Status.clientErrorDocumentFormatNotSupported)
                    .putUnsupportedAttributes(Types.documentFormat.of(format));
        }
        if (op.get("compression") != null && !op.get("compression").strings().contains("none")) {
            return response(Status.clientErrorCompressionNotSupported);
        }
        if (fault == Fault.REFUSES) {
            return response(Status.serverErrorNotAcceptingJobs);
        }
        if (operation.equals(Operation.validateJob)) {
            return response(Status.successfulOk);
        }
        if (operation.equals(Operation.printJob) && document.length == 0) {
            return response(Status.clientErrorBadRequest);
        }
        var job = job(op, format, fitted);
        if (operation.equals(Operation.printJob)) {
            engine.execute(() -> run(job, document));
        } else {
            job.state = JobState.pendingHeld;
            job.reason = "job-incoming";
        }
        return response(Status.successfulOk)
                .addGroup(AttributeGroup.groupOf(
                        DelimiterTag.jobAttributes, jobAttributes(job, uri).subList(0, 4)));
    }

    /** Unless it is told not to, and can, it fits each page into its own margins, as printers do. */
    private boolean fitted(IppPacket request) {
        var job = request.get(Tag.jobAttributes);
        return fault == Fault.FITS || job == null || !"none".equals(job.getString(Types.printScaling));
    }

    private synchronized Job job(AttributeGroup op, String format, boolean fitted) {
        var job = new Job(
                ++lastJob,
                op.get(Types.jobName) == null ? "untitled" : op.getString(Types.jobName),
                op.get(Types.requestingUserName) == null ? "anonymous" : op.getString(Types.requestingUserName),
                format,
                fitted);
        jobs.put(job.id, job);
        jobs.values().removeIf(j -> jobs.size() > KEPT && j.over() && j.id <= lastJob - KEPT);
        return job;
    }

    private static String format(AttributeGroup op) {
        return op.get(Types.documentFormat) == null
                ? "application/octet-stream"
                : Objects.requireNonNull(op.getString(Types.documentFormat));
    }

    private IppPacket.Builder send(AttributeGroup op, byte[] document, URI uri) {
        if (op.get("last-document") == null) {
            return response(Status.clientErrorBadRequest);
        }
        return withJob(op, job -> {
            if (!job.state.equals(JobState.pendingHeld)) {
                return response(Status.clientErrorNotPossible);
            }
            job.state = JobState.pending;
            job.reason = "none";
            engine.execute(() -> run(job, document));
            return response(Status.successfulOk)
                    .addGroup(AttributeGroup.groupOf(
                            DelimiterTag.jobAttributes, jobAttributes(job, uri).subList(0, 4)));
        });
    }

    private IppPacket.Builder cancel(Job job) {
        synchronized (job) {
            if (job.over()) {
                return response(Status.clientErrorNotPossible);
            }
            end(job, JobState.canceled, "job-canceled-by-user");
            return response(Status.successfulOk);
        }
    }

    private synchronized IppPacket.Builder withJob(AttributeGroup op, Function<Job, IppPacket.Builder> then) {
        Integer id = op.getValue(Types.jobId);
        if (id == null && op.getValue(Types.jobUri) != null) {
            var path = Objects.requireNonNull(op.getValue(Types.jobUri)).getPath();
            try {
                id = Integer.valueOf(path.substring(path.lastIndexOf('/') + 1));
            } catch (NumberFormatException e) {
                return response(Status.clientErrorNotFound);
            }
        }
        if (id == null) {
            return response(Status.clientErrorBadRequest);
        }
        var job = jobs.get(id);
        return job == null ? response(Status.clientErrorNotFound) : then.apply(job);
    }

    private synchronized IppPacket.Builder list(AttributeGroup op, URI uri) {
        var which = op.get("which-jobs") == null
                ? "not-completed"
                : op.get("which-jobs").strings().getFirst();
        boolean finished = which.equals("completed");
        if (!finished && !which.equals("not-completed")) {
            return response(Status.clientErrorAttributesOrValuesNotSupported);
        }
        Integer limit = op.getValue(Types.limit);
        var answer = response(Status.successfulOk);
        var wanted = requested(op);
        boolean mine = Boolean.TRUE.equals(op.getValue(Types.myJobs));
        var user = op.get(Types.requestingUserName) == null ? "anonymous" : op.getString(Types.requestingUserName);
        jobs.values().stream()
                .filter(j -> j.over() == finished && (!mine || j.user.equals(user)))
                .sorted((a, b) -> finished ? b.id - a.id : a.id - b.id)
                .limit(limit == null ? KEPT : limit)
                .forEach(j -> answer.addGroup(AttributeGroup.groupOf(
                        DelimiterTag.jobAttributes,
                        jobAttributes(j, uri).stream()
                                .filter(a -> wanted.isEmpty()
                                        ? List.of("job-id", "job-uri").contains(a.getName())
                                        : wanted.contains("all")
                                                || wanted.contains("job-description")
                                                || wanted.contains(a.getName()))
                                .toList())));
        return answer;
    }

    // ---- printing ----------------------------------------------------------------------------------------------

    private void run(Job job, byte[] document) {
        try {
            synchronized (job) {
                if (job.over()) {
                    return;
                }
                job.state = JobState.processing;
                job.reason = "job-printing";
                job.began = Optional.of(clock.instant());
            }
            while (machine.paperOut() && !job.over()) {
                job.reason = "printer-stopped";
                job.state = JobState.processingStopped;
                Thread.sleep(50);
            }
            if (job.over()) {
                return;
            }
            job.state = JobState.processing;
            if (machine.padFull()) {
                end(job, JobState.aborted, "aborted-by-system");
                return;
            }
            for (var page : Printing.document(machine, document, job.format, job.fitted)) {
                Thread.sleep(fault == Fault.SLOW ? 20 * millisPerPage : millisPerPage);
                synchronized (job) {
                    if (job.over()) {
                        return;
                    }
                    lay(page);
                    job.sheets++;
                }
            }
            end(job, JobState.completed, "job-completed-successfully");
        } catch (Printing.Unprintable e) {
            end(job, JobState.aborted, "document-format-error");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            end(job, JobState.aborted, "aborted-by-system");
        }
    }

    private void end(Job job, JobState state, String reason) {
        synchronized (job) {
            job.state = state;
            job.reason = reason;
            job.ended = Optional.of(clock.instant());
        }
    }

    // ---- attributes --------------------------------------------------------------------------------------------

    private int seconds(Instant at) {
        return (int) Math.max(1, at.getEpochSecond() - since.getEpochSecond() + 1);
    }

    private List<Attribute<?>> jobAttributes(Job job, URI uri) {
        var all = new ArrayList<Attribute<?>>();
        all.add(Types.jobId.of(job.id));
        all.add(Types.jobUri.of(URI.create(uri + "/jobs/" + job.id)));
        all.add(Types.jobState.of(job.state));
        all.add(Types.jobStateReasons.of(job.reason));
        all.add(Types.jobName.of(job.name));
        all.add(Types.jobOriginatingUserName.of(job.user));
        all.add(Types.jobPrinterUri.of(uri));
        all.add(Types.timeAtCreation.of(seconds(job.made)));
        all.add(job.began
                .<Attribute<?>>map(b -> Types.timeAtProcessing.of(seconds(b)))
                .orElseGet(Types.timeAtProcessing::noValue));
        all.add(job.ended
                .<Attribute<?>>map(e -> Types.timeAtCompleted.of(seconds(e)))
                .orElseGet(Types.timeAtCompleted::noValue));
        all.add(Types.jobPrinterUpTime.of(seconds(clock.instant())));
        all.add(Types.jobMediaSheetsCompleted.of(job.sheets));
        all.add(Types.jobImpressionsCompleted.of(job.sheets));
        return all;
    }

    private static Set<String> requested(AttributeGroup op) {
        var names = op.get("requested-attributes");
        return names == null ? Set.of() : new HashSet<>(names.strings());
    }

    private static AttributeGroup chosen(List<Attribute<?>> all, AttributeGroup op, DelimiterTag tag) {
        var wanted = requested(op);
        return AttributeGroup.groupOf(
                tag,
                all.stream()
                        .filter(a -> wanted.isEmpty()
                                || wanted.contains("all")
                                || wanted.contains("printer-description")
                                || wanted.contains("job-description")
                                || wanted.contains("job-template")
                                        && a.getName()
                                                .matches(
                                                        "(copies|sides|media|orientation|print|number|finishings|output|page).*")
                                || wanted.contains(a.getName()))
                        .toList());
    }

    private IppPacket.Builder printer(AttributeGroup op, URI uri) {
        if (op.get(Types.documentFormat) != null && !formats.contains(op.getString(Types.documentFormat))) {
            return response(Status.clientErrorDocumentFormatNotSupported);
        }
        var group = new MutableAttributeGroup(DelimiterTag.printerAttributes);
        int open;
        boolean busy;
        synchronized (this) {
            open = (int) jobs.values().stream().filter(j -> !j.over()).count();
            busy = jobs.values().stream().anyMatch(j -> j.state.equals(JobState.processing));
        }
        var reasons = new ArrayList<String>();
        if (machine.paperOut()) {
            reasons.add("media-empty-error");
        }
        if (machine.padFull()) {
            reasons.add("marker-waste-full-error");
        }
        var levels = machine.reportedLevels();
        if (levels.values().stream().anyMatch(v -> v <= 5)) {
            reasons.add("marker-supply-low-warning");
        }
        group.put(Types.printerUriSupported.of(uri));
        group.put(Types.uriSecuritySupported.of(uri.getScheme().equals("ipps") ? "tls" : "none"));
        group.put(Types.uriAuthenticationSupported.of("none"));
        group.put(Types.printerName.of(machine.name()));
        group.put(Types.printerInfo.of(machine.name()));
        group.put(Types.printerLocation.of("on the bench"));
        group.put(Types.printerMakeAndModel.of(machine.profile().name()));
        group.put(Types.printerUuid.of(
                URI.create("urn:uuid:" + UUID.nameUUIDFromBytes(machine.name().getBytes(StandardCharsets.UTF_8)))));
        group.put(Types.printerState.of(
                machine.paperOut() || machine.padFull()
                        ? PrinterState.stopped
                        : busy ? PrinterState.processing : PrinterState.idle));
        group.put(
                reasons.isEmpty()
                        ? Types.printerStateReasons.of("none")
                        : new KeywordType.Set("printer-state-reasons").of(reasons));
        group.put(Types.printerIsAcceptingJobs.of(fault != Fault.REFUSES));
        group.put(Types.printerUpTime.of(seconds(clock.instant())));
        group.put(Types.queuedJobCount.of(open));
        group.put(Types.ippVersionsSupported.of(VERSIONS));
        group.put(Types.operationsSupported.of(List.of(
                Operation.printJob,
                Operation.validateJob,
                Operation.createJob,
                Operation.sendDocument,
                Operation.cancelJob,
                Operation.getJobAttributes,
                Operation.getJobs,
                Operation.getPrinterAttributes)));
        group.put(Types.multipleDocumentJobsSupported.of(false));
        group.put(Types.charsetConfigured.of("utf-8"));
        group.put(Types.charsetSupported.of(List.of("utf-8", "us-ascii")));
        group.put(Types.naturalLanguageConfigured.of("en"));
        group.put(Types.generatedNaturalLanguageSupported.of("en"));
        group.put(Types.documentFormatDefault.of("application/octet-stream"));
        group.put(Types.documentFormatSupported.of(formats));
        group.put(Types.compressionSupported.of("none"));
        group.put(Types.pdlOverrideSupported.of("not-attempted"));
        group.put(Types.colorSupported.of(true));
        group.put(Types.pagesPerMinute.of(2));
        group.put(Types.copiesDefault.of(1));
        group.put(Types.mediaDefault.of("iso_a4_210x297mm"));
        group.put(new KeywordType.Set("media-supported")
                .of(List.of("iso_a4_210x297mm", "iso_a5_148x210mm", "na_letter_8.5x11in")));
        group.put(Types.mediaReady.of("iso_a4_210x297mm"));
        group.put(Types.printScalingDefault.of("fit"));
        group.put(Types.printScalingSupported.of(fault == Fault.FITS ? List.of("fit") : List.of("fit", "none")));
        group.put(Types.sidesDefault.of("one-sided"));
        group.put(Types.sidesSupported.of("one-sided"));
        group.put(Types.copiesSupported.of(new kotlin.ranges.IntRange(1, 1)));
        group.put(Types.finishingsDefault.of(Finishing.none));
        group.put(Types.finishingsSupported.of(Finishing.none));
        group.put(Types.orientationRequestedDefault.of(Orientation.portrait));
        group.put(Types.orientationRequestedSupported.of(Orientation.portrait));
        group.put(Types.outputBinDefault.of("face-up"));
        group.put(Types.outputBinSupported.of("face-up"));
        group.put(Types.printQualityDefault.of(PrintQuality.normal));
        group.put(Types.printQualitySupported.of(PrintQuality.normal));
        var dpi = new Resolution(300, 300, ResolutionUnit.dotsPerInch);
        group.put(Types.printerResolutionDefault.of(dpi));
        group.put(Types.printerResolutionSupported.of(dpi));
        group.put(Types.pagesPerMinuteColor.of(2));
        group.put(Types.printerMoreInfo.of(URI.create("http://%s:%d/".formatted(uri.getHost(), uri.getPort()))));
        group.put(Types.jobCreationAttributesSupported.of(
                List.of("media", "media-col", "sides", "copies", "print-scaling")));
        supplies(group, levels);
        return response(Status.successfulOk).addGroup(chosen(group, op, DelimiterTag.printerAttributes));
    }

    private void supplies(MutableAttributeGroup group, Map<String, Integer> levels) {
        var names = new ArrayList<String>(levels.keySet());
        names.add("waste");
        var values = new ArrayList<Integer>(levels.values());
        values.add(100 - machine.reportedPad());
        group.put(new NameType.Set("marker-names").ofStrings(names));
        group.put(new KeywordType.Set("marker-types")
                .of(names.stream()
                        .map(n -> n.equals("waste") ? "waste-ink" : "ink")
                        .toList()));
        group.put(new IntType.Set("marker-levels").of(values));
        group.put(new IntType.Set("marker-low-levels")
                .of(names.stream().map(_ -> 5).toList()));
        group.put(new IntType.Set("marker-high-levels")
                .of(names.stream().map(_ -> 100).toList()));
    }
}
