package fairkettle.measure;

import fairkettle.measure.Running.Answer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URLEncoder;
import java.net.http.HttpTimeoutException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.zip.CRC32;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * {@code ./kettle measure hostile}: bad requests to every address of the API document, each field of each body wrong in
 * turn, and files that are none or do harm; beside them an honest client that goes on with its work.
 */
public final class Hostile {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String ENDLESS = "/api/live"; // never ends, as it is meant to
    private static final List<String> PLACES = List.of(
            "x",
            "-1",
            "0",
            "9".repeat(30),
            "%00",
            "..%2f..%2fetc%2fpasswd",
            "%F0%9F%92%A9",
            "1e9",
            "%20",
            "999999999",
            "1;x=1",
            "1%0d%0aX:1");
    private static final List<String> BODIES = List.of(
            "",
            "null",
            "[]",
            "7",
            "{",
            "\"x\"",
            "{\"\\u0000\": 1}",
            "[".repeat(100_000),
            "{\"a\":".repeat(50_000),
            "{\"a\": \"" + "x".repeat(3_000_000) + "\"}",
            "\uFEFF{}}");

    private final Running kettle;
    private final JsonNode document;
    private final RandomGenerator random =
            RandomGeneratorFactory.of("L64X128MixRandom").create(1440);
    private final AtomicLong requests = new AtomicLong();
    private final AtomicLong broken = new AtomicLong();
    private final AtomicLong slow = new AtomicLong();
    private final AtomicLong nonsense = new AtomicLong();

    private Hostile(Running kettle) throws IOException, InterruptedException {
        this.kettle = kettle;
        this.document = kettle.get("/v3/api-docs").json();
    }

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        var waited = new ConcurrentLinkedQueue<Double>();
        var going = new AtomicBoolean(true);
        var most = new AtomicLong();
        try (var kettle = new Running(Path.of(args[0]), args[1])) {
            fill(kettle);
            var hostile = new Hostile(kettle);
            long files;
            double longest;
            try (var others = Executors.newFixedThreadPool(2)) {
                others.submit(() -> {
                    while (going.get()) {
                        waited.add(kettle.get("/api/bench").ms());
                        waited.add(kettle.post("/api/hob", "{\"label\": \"honest\", \"minutes\": 0.1}")
                                .ms());
                        Thread.sleep(50);
                    }
                    return null;
                });
                others.submit(() -> {
                    while (going.get()) {
                        most.accumulateAndGet(kettle.residentMb(), Math::max);
                        Thread.sleep(200);
                    }
                    return null;
                });
                try {
                    hostile.everyAddress();
                    var sent = files(hostile.random);
                    files = sent.size();
                    longest = hostile.send(sent);
                } finally {
                    going.set(false);
                }
            }
            var sorted =
                    waited.stream().mapToDouble(Double::doubleValue).sorted().toArray();
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"hostile\",\"requests\":%d,\"files\":%d,\"status_5xx\":%d,\"over_2s\":%d,"
                            + "\"file_s_max\":%.1f,\"accepted_nonsense\":%d,\"honest_requests\":%d,"
                            + "\"others_waited_ms_p99\":%.0f,\"rss_mb_max\":%d}%n",
                    hostile.requests.get(),
                    files,
                    hostile.broken.get(),
                    hostile.slow.get(),
                    longest,
                    hostile.nonsense.get(),
                    sorted.length,
                    sorted[(int) (sorted.length * .99)],
                    most.get());
        }
    }

    private static void fill(Running kettle) throws IOException, InterruptedException {
        kettle.post("/api/people", "{\"name\": \"Honest\"}");
        kettle.post("/api/machines", """
            {"name": "Target", "bench": "Bench", "profile": "small-tank", "holds": "INKED", "family": "MAKERS_DYE",
             "make": "own", "foodOnly": false, "tankShare": 0.7}\
            """);
        kettle.post("/api/shelf/lots", """
            {"family": "MAKERS_DYE", "channel": "C", "make": "own", "code": "T", "volume": 900, "price": 900, "foodGrade": false}\
            """);
        kettle.post("/api/machines/1/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}");
    }

    private void everyAddress() throws Exception {
        for (var path : document.get("paths").properties()) {
            for (var operation : path.getValue().properties()) {
                if (!path.getKey().equals(ENDLESS) && operation.getValue().isObject()) {
                    one(operation.getKey().toUpperCase(Locale.ROOT), path.getKey(), operation.getValue());
                }
            }
        }
    }

    private void one(String method, String path, JsonNode operation) throws Exception {
        var real = path.replaceAll("\\{[^}]*}", "1");
        var schema = operation.at("/requestBody/content/application~1json/schema");
        var good = schema.isMissingNode() ? "{}" : JSON.writeValueAsString(plausible(schema, 0));
        if (!real.equals(path)) {
            for (var place : PLACES) {
                // why not for a switch: what is named by a word of the shop's own may be any word
                send(
                        method,
                        path.replaceAll("\\{[^}]*}", place),
                        good,
                        List.of("x", "%20", "1;x=1").contains(place) ? null : "path");
            }
        }
        for (var parameter : operation.path("parameters")) {
            if (parameter.path("in").asString("").equals("query")) {
                for (var wrong : wrongs(parameter.path("schema"))) {
                    var said = wrong.isValueNode() ? wrong.asString() : wrong.toString();
                    send(
                            method,
                            real + "?" + parameter.get("name").asString() + "="
                                    + URLEncoder.encode(said, StandardCharsets.UTF_8),
                            good,
                            null);
                }
            }
        }
        if (method.equals("GET")) {
            return;
        }
        note(kettle.raw(method, real, good, Map.of("X-XSRF-TOKEN", "no")), method + " " + real, "another site's token");
        note(kettle.raw(method, real, good, Map.of("Content-Type", "text/xml")), method + " " + real, null);
        note(kettle.raw(method, real, good, Map.of("Idempotency-Key", "k".repeat(5000))), method + " " + real, null);
        if (schema.isMissingNode()) {
            return;
        }
        boolean needy = !resolved(schema).path("required").isEmpty();
        for (var body : BODIES) {
            // a field that nobody knows is no harm where none is needed
            send(
                    method,
                    real,
                    body,
                    body.contains("u0000") && !needy ? null : "body " + body.substring(0, Math.min(12, body.length())));
        }
        for (int time = 0; time < 12; time++) {
            send(method, real, garbled(good), null);
        }
        var whole = plausible(schema, 0);
        if (whole instanceof ObjectNode object) {
            for (var property : resolved(schema).path("properties").properties()) {
                for (var wrong : wrongs(property.getValue())) {
                    var bad = object.deepCopy();
                    bad.set(property.getKey(), wrong);
                    send(method, real, written(bad), property.getKey() + " " + shortened(wrong));
                }
            }
        }
    }

    /** With a few letters that are others, more of them, or missing. */
    private String garbled(String good) {
        var letters = new StringBuilder(good);
        int changes = 1 + random.nextInt(4);
        for (int change = 0; change < changes && !letters.isEmpty(); change++) {
            int place = random.nextInt(letters.length());
            switch (random.nextInt(3)) {
                case 0 -> letters.setCharAt(place, (char) random.nextInt(256));
                case 1 -> letters.deleteCharAt(place);
                default -> letters.insert(place, letters.charAt(place));
            }
        }
        return letters.toString();
    }

    /** The number that no number holds cannot be a node: it is put in as text and unquoted. */
    private static String written(JsonNode body) {
        return JSON.writeValueAsString(body).replace("\"1e400000000\"", "1e400000000");
    }

    private static String shortened(JsonNode value) {
        var text = value.toString();
        return text.length() < 40 ? text : text.substring(0, 40) + "…";
    }

    private JsonNode resolved(JsonNode schema) {
        var at = schema;
        while (at.has("$ref")) {
            at = document.at(at.get("$ref").asString().substring(1));
        }
        for (var either : List.of("oneOf", "anyOf", "allOf")) {
            if (at.has(either) && !at.has("properties")) {
                return resolved(at.get(either).get(0));
            }
        }
        return at;
    }

    private static String type(JsonNode schema) {
        var type = schema.path("type");
        return type.isArray() ? type.get(0).asString() : type.asString(schema.has("properties") ? "object" : "any");
    }

    private JsonNode plausible(JsonNode of, int depth) {
        var schema = resolved(of);
        var nodes = JSON.getNodeFactory();
        if (schema.has("enum")) {
            return schema.get("enum").get(0);
        }
        return switch (type(schema)) {
            case "string" ->
                nodes.stringNode(
                        switch (schema.path("format").asString("")) {
                            case "date" -> "2026-11-25";
                            case "date-time" -> "2026-11-25T09:00:00Z";
                            default -> "x";
                        });
            case "integer", "number" -> nodes.numberNode(1);
            case "boolean" -> nodes.booleanNode(true);
            case "array" ->
                depth > 4 ? nodes.arrayNode() : nodes.arrayNode().add(plausible(schema.path("items"), depth + 1));
            case "object" -> {
                var object = nodes.objectNode();
                if (depth < 5) {
                    schema.path("properties")
                            .properties()
                            .forEach(p -> object.set(p.getKey(), plausible(p.getValue(), depth + 1)));
                }
                yield object;
            }
            default -> nodes.objectNode();
        };
    }

    /** Values that no field of this kind may have. */
    private List<JsonNode> wrongs(JsonNode of) {
        var schema = resolved(of);
        var nodes = JSON.getNodeFactory();
        var wrong = new ArrayList<JsonNode>();
        var nested = nodes.objectNode().set("a", nodes.arrayNode());
        switch (type(schema)) {
            case "string" -> {
                wrong.add(nested);
                wrong.add(nodes.arrayNode().add(1).add(2));
                wrong.add(nodes.stringNode("a\u0000b"));
                if (schema.has("enum")) {
                    wrong.add(nodes.stringNode("NO_SUCH"));
                } else if (schema.path("format").asString("").startsWith("date")) {
                    wrong.add(nodes.stringNode("99999-01-01"));
                    wrong.add(nodes.stringNode("0000-00-00"));
                    wrong.add(nodes.stringNode("soon"));
                } else {
                    wrong.add(nodes.stringNode("x".repeat(1_000_000)));
                }
            }
            case "integer" -> {
                wrong.add(nodes.stringNode("x"));
                wrong.add(nodes.stringNode("1e400000000"));
                wrong.add(nodes.numberNode(new java.math.BigInteger("9".repeat(40))));
                wrong.add(nodes.numberNode(1.5));
                wrong.add(nested);
            }
            case "number" -> {
                wrong.add(nodes.stringNode("x"));
                wrong.add(nodes.stringNode("NaN"));
                wrong.add(nodes.stringNode("1e400000000"));
                wrong.add(nested);
            }
            case "boolean" -> {
                wrong.add(nodes.stringNode("maybe"));
                wrong.add(nested);
            }
            case "array" -> {
                wrong.add(nodes.stringNode("x"));
                wrong.add(nodes.arrayNode().addNull());
                wrong.add(nested);
            }
            default -> {
                wrong.add(nodes.stringNode("x"));
                wrong.add(nodes.numberNode(3));
            }
        }
        return wrong;
    }

    /** @param wrong what is wrong with it; null where it may be right */
    private void send(String method, String path, String body, String wrong) throws Exception {
        note(kettle.raw(method, path, body, Map.of()), method + " " + path, wrong);
    }

    private void note(Answer answer, String what, String wrong) {
        requests.incrementAndGet();
        if (answer.status() >= 500) {
            tell(broken, "%d %s (%s): %s".formatted(answer.status(), what, wrong, answer.body()));
        }
        if (answer.ms() > 2000) {
            tell(slow, "%.0f ms %s (%s)".formatted(answer.ms(), what, wrong));
        }
        if (wrong != null && answer.status() < 300) {
            tell(nonsense, "%d %s (%s)".formatted(answer.status(), what, wrong));
        }
    }

    private static void tell(AtomicLong counted, String what) {
        if (counted.incrementAndGet() <= 40) {
            System.err.println(what.length() < 400 ? what : what.substring(0, 400));
        }
    }

    /** @return seconds of the longest */
    private double send(Map<String, byte[]> files) throws Exception {
        double longest = 0;
        for (var file : files.entrySet()) {
            for (var path : List.of(
                    "/api/readings?machine=1",
                    "/api/machines/1/documents?name=leaflet",
                    "/api/cards/1/photos?step=off")) {
                Answer answer;
                try {
                    answer = kettle.upload(path, file.getValue());
                } catch (HttpTimeoutException e) {
                    answer = new Answer(599, "no answer within a minute", 60_000);
                }
                longest = Math.max(longest, answer.ms() / 1000);
                if (answer.status() >= 500) {
                    tell(broken, "%d %s to %s: %s".formatted(answer.status(), file.getKey(), path, answer.body()));
                }
                if (answer.ms() > 15_000) {
                    tell(slow, "%.0f ms %s to %s".formatted(answer.ms(), file.getKey(), path));
                }
            }
        }
        return longest;
    }

    /** By what is wrong with each. */
    private static Map<String, byte[]> files(RandomGenerator random) throws IOException {
        var files = new LinkedHashMap<String, byte[]>();
        var picture = new BufferedImage(900, 700, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 900; x++) {
            for (int y = 0; y < 700; y++) {
                picture.setRGB(x, y, (x * 7 ^ y * 13) & 0xffffff);
            }
        }
        for (var kind : List.of("png", "jpg", "tiff", "gif", "bmp")) {
            var out = new ByteArrayOutputStream();
            if (!ImageIO.write(picture, kind, out)) {
                continue;
            }
            var good = out.toByteArray();
            for (int time = 0; time < 24; time++) {
                var bad = good.clone();
                int changes = 1 + random.nextInt(40);
                for (int change = 0; change < changes; change++) {
                    // why the head more often: that is where sizes and offsets stand
                    bad[random.nextBoolean() ? random.nextInt(Math.min(400, bad.length)) : random.nextInt(bad.length)] =
                            (byte) random.nextInt(256);
                }
                files.put(kind + " with %d wrong bytes, %d".formatted(changes, time), bad);
            }
            for (int part = 1; part <= 6; part++) {
                files.put(kind + " cut at %d/7".formatted(part), java.util.Arrays.copyOf(good, good.length * part / 7));
            }
        }
        for (int side : new int[] {20_000, 60_000, Integer.MAX_VALUE}) {
            files.put("png of %d by itself".formatted(side), png(side, side, 0));
        }
        files.put("png of 30000 x 30000 that is all there", png(30_000, 30_000, 30_000L * (30_000 / 8 + 1)));
        files.put("nothing", new byte[0]);
        files.put("text", "hello".getBytes(StandardCharsets.UTF_8));
        files.put(
                "svg", "<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>".getBytes(StandardCharsets.UTF_8));
        files.put("zeros", new byte[5_000_000]);
        files.put("pdf that draws itself", pdf("/Resources << /XObject << /A 4 0 R >> >>", "/A Do ".repeat(200)));
        files.put("pdf with a page of 10^9", pdf("", "1000000000 0 0 1000000000 0 0 cm 0 0 1 1 re f"));
        files.put("pdf with ten million strokes", pdf("", "0 0 m 9 9 l S ".repeat(800_000)));
        for (int depth : new int[] {100, 100_000}) {
            files.put("pdf nested %d".formatted(depth), pdf("", "q ".repeat(depth) + "[".repeat(depth)));
        }
        files.put("tiff that leads to itself", new byte[] {'I', 'I', 42, 0, 8, 0, 0, 0, 0, 0, 8, 0, 0, 0});
        return files;
    }

    /** Of a size, one bit a pixel, with so many bytes of blank behind its head. */
    private static byte[] png(int width, int height, long blank) throws IOException {
        var out = new ByteArrayOutputStream();
        out.write(new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10});
        chunk(
                out,
                "IHDR",
                ByteBuffer.allocate(13)
                        .putInt(width)
                        .putInt(height)
                        .put(new byte[] {1, 0, 0, 0, 0})
                        .array());
        var data = new ByteArrayOutputStream();
        try (var deflate = new DeflaterOutputStream(data)) {
            for (long left = blank; left > 0; left -= 65_536) {
                deflate.write(new byte[(int) Math.min(65_536, left)]);
            }
        }
        chunk(out, "IDAT", data.toByteArray());
        chunk(out, "IEND", new byte[0]);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String name, byte[] data) throws IOException {
        var sum = new CRC32();
        sum.update(name.getBytes(StandardCharsets.US_ASCII));
        sum.update(data);
        out.write(ByteBuffer.allocate(4).putInt(data.length).array());
        out.write(name.getBytes(StandardCharsets.US_ASCII));
        out.write(data);
        out.write(ByteBuffer.allocate(4).putInt((int) sum.getValue()).array());
    }

    private static byte[] pdf(String resources, String drawing) {
        var form = "<< /Type /XObject /Subtype /Form /BBox [0 0 9 9] %s /Length %d >>\nstream\n%s\nendstream"
                .formatted(resources, drawing.length(), drawing);
        return """
            %%PDF-1.4
            1 0 obj << /Type /Catalog /Pages 2 0 R >> endobj
            2 0 obj << /Type /Pages /Kids [3 0 R] /Count 1 >> endobj
            3 0 obj << /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 5 0 R /Resources << /XObject << /A 4 0 R >> >> >> endobj
            4 0 obj %s endobj
            5 0 obj << /Length 5 >>
            stream
            /A Do
            endstream endobj
            trailer << /Root 1 0 R >>
            %%%%EOF
            """.formatted(form).getBytes(StandardCharsets.ISO_8859_1);
    }
}
