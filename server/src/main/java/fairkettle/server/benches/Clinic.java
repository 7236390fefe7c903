package fairkettle.server.benches;

import java.util.Map;

/** Who on the benches is ill: asked by the bench, answered by the clinic. */
public interface Clinic {

    /** @param words what it is about */
    record Ill(long caseId, String words) {}

    /** By machine. */
    Map<Long, Ill> ill();
}
