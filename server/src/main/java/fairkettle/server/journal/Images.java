package fairkettle.server.journal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Table;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Rows as they were before and after an act. A row goes back to what it was, column by column, as long as the columns
 * that the act changed still hold what it left in them: what somebody changed since is theirs, and stays.
 */
public final class Images {

    /**
     * @param before null for a row that the act made; @param after null for one that it took away; only columns that
     *     differ otherwise
     */
    public record Image(
            String table,
            ObjectNode key,
            @Nullable ObjectNode before,
            @Nullable ObjectNode after) {}

    private final DSLContext db;
    private final JsonMapper json;
    private final List<Image> images;

    Images(DSLContext db, JsonMapper json, List<Image> images) {
        this.db = db;
        this.json = json;
        this.images = images;
    }

    public List<Image> all() {
        return images;
    }

    /** Those of other tables. */
    public Images without(String table) {
        return new Images(
                db, json, images.stream().filter(i -> !i.table().equals(table)).toList());
    }

    /** Carries out work, and keeps how it changed some rows. */
    static Images around(DSLContext db, JsonMapper json, List<Rows> rows, Runnable work) {
        var before = rows.stream().map(r -> read(db, r)).toList();
        work.run();
        var images = new ArrayList<Image>();
        for (int i = 0; i < rows.size(); i++) {
            difference(json, rows.get(i).table(), before.get(i), read(db, rows.get(i)), images);
        }
        return new Images(db, json, images);
    }

    /** Rows as their text, by their key's: most are as they were, and need not be understood. */
    private static Map<String, String> read(DSLContext db, Rows rows) {
        var found = new LinkedHashMap<String, String>();
        var key = Objects.requireNonNull(rows.table().getPrimaryKey()).getFields().stream()
                .flatMap(f -> Stream.of(DSL.inline(f.getName()), f))
                .toList();
        db.select(
                        DSL.field("jsonb_build_object({0})::text", String.class, DSL.list(key)),
                        DSL.field(
                                "to_jsonb({0})::text",
                                String.class, DSL.name(rows.table().getName())))
                .from(rows.table())
                .where(rows.where())
                .forEach(r -> found.put(r.value1(), r.value2()));
        return found;
    }

    private static void difference(
            JsonMapper json,
            Table<?> table,
            Map<String, String> before,
            Map<String, String> after,
            List<Image> images) {
        var keys = new LinkedHashSet<>(before.keySet());
        keys.addAll(after.keySet());
        for (var key : keys) {
            if (Objects.equals(before.get(key), after.get(key))) {
                continue;
            }
            var was = tree(json, before.get(key));
            var is = tree(json, after.get(key));
            if (was != null && is != null) {
                var changed = was.propertyStream()
                        .filter(p -> !p.getValue().equals(is.get(p.getKey())))
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toSet());
                was.retain(changed);
                is.retain(changed);
            }
            images.add(new Image(table.getName(), (ObjectNode) json.readTree(key), was, is));
        }
    }

    private static @Nullable ObjectNode tree(JsonMapper json, @Nullable String row) {
        return row == null ? null : (ObjectNode) json.readTree(row);
    }

    /**
     * Puts every row back that is still as the act left it. @return tables of rows that were changed since, in words
     */
    public List<String> restored() {
        var kept = new ArrayList<String>();
        for (var image : images.reversed()) {
            if (!restored(image)) {
                kept.add(words(image.table()));
            }
        }
        return kept.stream().distinct().toList();
    }

    private boolean restored(Image image) {
        var now = now(image);
        if (image.after() == null) {
            if (now != null) {
                return false;
            }
            insert(image, Objects.requireNonNull(image.before()));
            return true;
        }
        if (now == null || !holds(now, image.after())) {
            return now == null && image.before() == null;
        }
        if (image.before() == null) {
            db.deleteFrom(DSL.table(DSL.name(image.table()))).where(is(image)).execute();
        } else {
            update(image, image.before());
        }
        return true;
    }

    private static boolean holds(ObjectNode row, ObjectNode columns) {
        return columns.propertyStream().allMatch(p -> p.getValue().equals(row.get(p.getKey())));
    }

    private @Nullable ObjectNode now(Image image) {
        return db.select(DSL.field("to_jsonb({0})", JSONB.class, DSL.name(image.table())))
                .from(DSL.table(DSL.name(image.table())))
                .where(is(image))
                .fetchOptional(r -> (ObjectNode) json.readTree(r.value1().data()))
                .orElse(null);
    }

    private static Condition is(Image image) {
        var names = image.key().propertyStream().map(p -> DSL.name(p.getKey())).toList();
        return DSL.condition(
                "({0}) = (select {0} from jsonb_populate_record(null::{1}, {2}) k)",
                DSL.list(names),
                DSL.name(image.table()),
                DSL.val(JSONB.valueOf(image.key().toString())));
    }

    private void insert(Image image, ObjectNode row) {
        db.execute(
                "insert into {0} overriding system value select * from jsonb_populate_record(null::{0}, {1})",
                DSL.name(image.table()), DSL.val(JSONB.valueOf(row.toString())));
    }

    private void update(Image image, ObjectNode columns) {
        var names = columns.propertyStream().map(Map.Entry::getKey).toList();
        db.execute(
                "update {0} set ({1}) = (select {2} from jsonb_populate_record(null::{0}, {3}) kept) where {4}",
                DSL.name(image.table()),
                DSL.list(names.stream().map(DSL::name).toList()),
                DSL.list(names.stream().map(n -> DSL.name("kept", n)).toList()),
                DSL.val(JSONB.valueOf(columns.toString())),
                is(image));
    }

    private static String words(String table) {
        return switch (table) {
            case "channel" -> "What a channel holds";
            case "machine" -> "What the machine’s papers say";
            case "lot" -> "A bottle";
            case "owed" -> "What is owed to the machine";
            case "nozzle_check" -> "The check";
            case "upkeep", "used_day" -> "A routine";
            case "put_aside" -> "A cartridge that came out";
            case "wait" -> "The hob";
            case "clinic_case", "case_evidence", "treatment_outcome" -> "The case";
            case "supply", "article" -> "The count of a supply";
            case "purchase" -> "The order";
            default -> "Something";
        };
    }

    JsonNode written() {
        return json.valueToTree(images);
    }
}
