package fairkettle.server.shop;

import static fairkettle.db.Tables.PRESET;

import fairkettle.ink.Family;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** How each product is printed and pressed: recalled by its name for the next print of it. */
@Repository
public class Presets {

    private final DSLContext db;
    private final Live live;

    Presets(DSLContext db, Live live) {
        this.db = db;
        this.live = live;
    }

    /**
     * @param paper and its size; @param settings in the driver; @param pressC °C, @param pressS seconds, from the pack;
     *     null where nothing is pressed
     */
    public record Preset(
            long id,
            String name,
            Family family,
            String paper,
            String settings,
            boolean mirrored,
            @Nullable Integer pressC,
            @Nullable Integer pressS) {

        /** One line, as it is said at a step. */
        public String words() {
            return name + ": " + paper + (settings.isBlank() ? "" : ", " + settings) + (mirrored ? ", mirrored" : "")
                    + (pressC == null || pressS == null ? "" : ", pressed %d °C for %d s".formatted(pressC, pressS));
        }
    }

    public List<Preset> all() {
        return db.selectFrom(PRESET)
                .orderBy(PRESET.NAME)
                .fetch(r -> new Preset(
                        r.getId(),
                        r.getName(),
                        Family.valueOf(r.getFamily()),
                        r.getPaper(),
                        r.getSettings(),
                        r.getMirrored(),
                        r.getPressC(),
                        r.getPressS()));
    }

    /** By its name: the same name again replaces what was kept under it. */
    @Transactional
    public void keep(Preset p) {
        if (p.family() == Family.SUBLIMATION && !p.mirrored()) {
            throw Problem.atField("mirrored", "Sublimation is printed mirrored, whatever the product.");
        }
        db.insertInto(PRESET)
                .set(PRESET.NAME, p.name().strip())
                .set(PRESET.FAMILY, p.family().name())
                .set(PRESET.PAPER, p.paper().strip())
                .set(PRESET.SETTINGS, p.settings().strip())
                .set(PRESET.MIRRORED, p.mirrored())
                .set(PRESET.PRESS_C, p.pressC())
                .set(PRESET.PRESS_S, p.pressS())
                .onConflict(PRESET.NAME)
                .doUpdate()
                .set(PRESET.FAMILY, p.family().name())
                .set(PRESET.PAPER, p.paper().strip())
                .set(PRESET.SETTINGS, p.settings().strip())
                .set(PRESET.MIRRORED, p.mirrored())
                .set(PRESET.PRESS_C, p.pressC())
                .set(PRESET.PRESS_S, p.pressS())
                .execute();
        live.changed("shop");
    }

    public void drop(long id) {
        db.deleteFrom(PRESET).where(PRESET.ID.eq(id)).execute();
        live.changed("shop");
    }
}
