package fairkettle.server.people;

import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who is at the bench: whoever signed in, or else the person picked on the screen the request came from. */
@Component
public class Who {

    public static final String HEADER = "Kettle-Person";

    /** The request’s attribute that holds who signed in; what a screen says counts for nothing beside it. */
    public static final String SIGNED_IN = "fairkettle.signed-in";

    private static final ScopedValue<Long> ACTING = ScopedValue.newInstance();

    private final People people;

    Who(People people) {
        this.people = people;
    }

    /** Does something in a person's name, outside any request. */
    public void acting(long person, Runnable work) {
        ScopedValue.where(ACTING, person).run(work);
    }

    /** @return null if nobody was picked, or outside a request */
    public @Nullable Long id() {
        if (ACTING.isBound()) {
            return ACTING.get();
        }
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes)) {
            return null;
        }
        if (attributes.getRequest().getAttribute(SIGNED_IN) instanceof Long person) {
            return person;
        }
        var header = attributes.getRequest().getHeader(HEADER);
        if (header == null || !header.matches("\\d{1,18}")) {
            return null;
        }
        long id = Long.parseLong(header);
        return people.exists(id) ? id : null;
    }

    public String name() {
        var id = id();
        return id == null ? "somebody" : people.name(id);
    }
}
