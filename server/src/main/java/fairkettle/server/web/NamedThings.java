package fairkettle.server.web;

import static fairkettle.db.Tables.ARTWORK;
import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.DEVICE;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.JOB;
import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.PRESET;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.Table;
import org.jooq.TableField;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * What an address names has to be there, whatever is asked about it or done to it: an act on a machine that is none is
 * not one that went well. Where it is looked for by whoever acts anyway, this only says it first.
 */
@Configuration
class NamedThings implements WebMvcConfigurer, HandlerInterceptor {

    private static final Map<String, TableField<?, Long>> IDS = Map.of(
            "artwork", ARTWORK.ID,
            "card", CARD.ID,
            "device", DEVICE.ID,
            "entry", ENTRY.ID,
            "job", JOB.ID,
            "lot", LOT.ID,
            "machine", MACHINE.ID,
            "person", PERSON.ID,
            "preset", PRESET.ID);

    private final DSLContext db;

    NamedThings(DSLContext db) {
        this.db = db;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> named) {
            named.forEach((name, value) -> {
                var id = IDS.get(String.valueOf(name));
                // what is no number is refused where it is read
                if (id != null
                        && String.valueOf(value).matches("-?\\d{1,18}")
                        && !exists(id, Long.parseLong((String) value))) {
                    throw Problem.notFound("There is no %s %s. It may have been taken away: look at the list again."
                            .formatted(name, value));
                }
            });
        }
        return true;
    }

    private boolean exists(TableField<?, Long> id, long value) {
        Table<?> table = id.getTable();
        return table != null && db.fetchExists(table, id.eq(value));
    }
}
