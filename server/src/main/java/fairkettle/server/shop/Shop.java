package fairkettle.server.shop;

import static fairkettle.db.Tables.SHOP;

import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import tools.jackson.databind.json.JsonMapper;

@Repository
public class Shop {

    private final DSLContext db;
    private final JsonMapper json;
    private final Live live;

    Shop(DSLContext db, JsonMapper json, Live live) {
        this.db = db;
        this.json = json;
        this.live = live;
    }

    /** @param version for If-Match: who saves an older one has lost the race */
    public record Kept(ShopSettings settings, int version) {}

    public Kept kept() {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            return read();
        }
        if (TransactionSynchronizationManager.getResource(this) instanceof Kept kept) {
            return kept; // why: one act asks for the zone many times
        }
        var kept = read();
        TransactionSynchronizationManager.bindResource(this, kept);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void suspend() {
                forget();
            }

            @Override
            public void afterCompletion(int status) {
                forget();
            }
        });
        return kept;
    }

    private void forget() {
        TransactionSynchronizationManager.unbindResourceIfPossible(this);
    }

    private Kept read() {
        return db.select(SHOP.SETTINGS, SHOP.VERSION)
                .from(SHOP)
                .fetchOptional(r -> new Kept(understood(r.value1().data()), r.value2()))
                .orElseGet(() -> new Kept(ShopSettings.usual(), 0));
    }

    private record Understood(String body, ShopSettings settings) {}

    private volatile @Nullable Understood understood;

    /** Every screen asks for them with every answer, and hardly ever are they others. */
    private ShopSettings understood(String body) {
        var last = understood;
        if (last == null || !last.body().equals(body)) {
            last = new Understood(body, json.readValue(body, ShopSettings.class));
            understood = last;
        }
        return last.settings();
    }

    public ShopSettings settings() {
        return kept().settings();
    }

    @Transactional
    public Kept save(ShopSettings settings, int version) {
        settings.check();
        forget();
        var body = JSONB.valueOf(json.writeValueAsString(settings));
        int changed = version == 0
                ? db.insertInto(SHOP)
                        .set(SHOP.ID, 1)
                        .set(SHOP.NAME, settings.name())
                        .set(SHOP.SETTINGS, body)
                        .set(SHOP.VERSION, 1)
                        .onConflictDoNothing()
                        .execute()
                : db.update(SHOP)
                        .set(SHOP.NAME, settings.name())
                        .set(SHOP.SETTINGS, body)
                        .set(SHOP.VERSION, version + 1)
                        .where(SHOP.VERSION.eq(version))
                        .execute();
        if (changed == 0) {
            throw Problem.lostRace(
                    "Somebody else changed the shop’s settings meanwhile. Load them again and repeat your change.");
        }
        live.changed("shop");
        return new Kept(settings, version + 1);
    }
}
