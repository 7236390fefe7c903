package fairkettle.server.demo;

import static fairkettle.db.Tables.ENTRY;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The demo’s clock, in the place of the shop’s. */
@Configuration(proxyBeanMethods = false)
@ConditionalOnProperty("kettle.demo")
class DemoTime {

    /** @param offset for a demo at an hour of somebody’s choice; by itself it finds a working morning */
    @Bean
    DemoClock demoClock(@Nullable @Value("${kettle.clock-offset:#{null}}") Duration offset, DSLContext db) {
        if (offset != null) {
            return new DemoClock(Clock.systemUTC(), offset);
        }
        var last = db.select(DSL.max(ENTRY.AT)).from(ENTRY).fetchOne(0, OffsetDateTime.class);
        return DemoClock.startingIn(Clock.systemUTC(), last == null ? null : last.toInstant());
    }

    @Bean
    Clock clock(DemoClock demo) {
        return demo.withZone(ZoneOffset.UTC);
    }
}
