package fairkettle.server.buying;

import static fairkettle.db.Tables.OFFER;
import static fairkettle.db.Tables.SUPPLIER;

import fairkettle.books.Ordering;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Who sells what. */
@Repository
public class Suppliers {

    private static final TypeReference<Map<String, Long>> CONTENTS = new TypeReference<>() {};
    private static final TypeReference<List<Ordering.Tier>> TIERS = new TypeReference<>() {};

    private final DSLContext db;
    private final Live live;
    private final JsonMapper json;

    Suppliers(DSLContext db, Live live, JsonMapper json) {
        this.db = db;
        this.live = live;
        this.json = json;
    }

    /** @param opens by its own clock in {@code zone}; null where nobody knows */
    public record Supplier(
            long id,
            String name,
            int leadDays,
            long postage,
            @Nullable Long freeFrom,
            String zone,
            @Nullable LocalTime opens,
            @Nullable LocalTime closes,
            String notes) {}

    /** @param contents by article key, in microlitres or pieces */
    public record Offer(long id, long supplier, String name, Map<String, Long> contents, List<Ordering.Tier> tiers) {
        Ordering.Offer sold() {
            return new Ordering.Offer("%019d".formatted(id), Long.toString(supplier), contents, tiers);
        }
    }

    public List<Supplier> all() {
        return db.selectFrom(SUPPLIER)
                .where(SUPPLIER.GONE.isFalse())
                .orderBy(SUPPLIER.NAME)
                .fetch(r -> new Supplier(
                        r.getId(),
                        r.getName(),
                        r.getLeadDays(),
                        r.getPostageMinor(),
                        r.getFreeFromMinor(),
                        r.getZone(),
                        r.getOpens(),
                        r.getCloses(),
                        r.getNotes()));
    }

    public Supplier get(long id) {
        return all().stream()
                .filter(s -> s.id() == id)
                .findFirst()
                .orElseThrow(() -> Problem.notFound("Nobody of this number (%d) sells here.".formatted(id)));
    }

    public List<Offer> offers() {
        return db.select(OFFER.ID, OFFER.SUPPLIER_ID, OFFER.NAME, OFFER.CONTENTS, OFFER.TIERS)
                .from(OFFER)
                .join(SUPPLIER)
                .on(SUPPLIER.ID.eq(OFFER.SUPPLIER_ID))
                .where(OFFER.GONE.isFalse(), SUPPLIER.GONE.isFalse())
                .orderBy(OFFER.NAME, OFFER.ID)
                .fetch(r -> new Offer(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        json.readValue(r.value4().data(), CONTENTS),
                        json.readValue(r.value5().data(), TIERS)));
    }

    /** @param supplier with id 0 for a new one @return its id */
    @Transactional
    public long keep(Supplier supplier) {
        if (db.fetchExists(
                SUPPLIER,
                SUPPLIER.NAME
                        .eq(supplier.name())
                        .and(SUPPLIER.ID.ne(supplier.id()))
                        .and(SUPPLIER.GONE.isFalse()))) {
            throw Problem.atField("name", "Somebody of this name sells here already.");
        }
        var row = supplier.id() == 0
                ? db.newRecord(SUPPLIER)
                : db.selectFrom(SUPPLIER)
                        .where(SUPPLIER.ID.eq(supplier.id()))
                        .forUpdate()
                        .fetchOptional()
                        .orElseThrow(() -> Problem.notFound("Nobody of this number sells here."));
        row.setName(supplier.name());
        row.setLeadDays(supplier.leadDays());
        row.setPostageMinor(supplier.postage());
        row.setFreeFromMinor(supplier.freeFrom());
        row.setZone(supplier.zone());
        row.setOpens(supplier.opens());
        row.setCloses(supplier.closes());
        row.setNotes(supplier.notes());
        row.store();
        live.changed("shelf");
        return row.getId();
    }

    /** Nothing is bought there any more; what came from there stays known. */
    @Transactional
    public void leave(long id) {
        db.update(SUPPLIER)
                .set(SUPPLIER.GONE, true)
                .where(SUPPLIER.ID.eq(id), SUPPLIER.GONE.isFalse())
                .execute();
        live.changed("shelf");
    }

    @Transactional
    public void sells(long supplier, String name, Map<String, Long> contents, List<Ordering.Tier> tiers) {
        get(supplier);
        new Ordering.Offer("new", "new", contents, tiers); // refuses what makes no sense
        db.insertInto(OFFER)
                .set(OFFER.SUPPLIER_ID, supplier)
                .set(OFFER.NAME, name)
                .set(OFFER.CONTENTS, JSONB.valueOf(json.writeValueAsString(contents)))
                .set(OFFER.TIERS, JSONB.valueOf(json.writeValueAsString(tiers)))
                .execute();
        live.changed("shelf");
    }

    @Transactional
    public void sellsNoMore(long offer) {
        db.update(OFFER).set(OFFER.GONE, true).where(OFFER.ID.eq(offer)).execute();
        live.changed("shelf");
    }
}
