package fairkettle.server.clinic;

import fairkettle.clinic.Advice;
import fairkettle.clinic.CaseFile;
import fairkettle.clinic.Learning;
import fairkettle.clinic.Learning.Outcome;
import fairkettle.clinic.Table;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What is believed and advised, worked out once for each state of a case however many screens and rounds ask. */
@Component
class Judgements {

    private static final int KEPT = 32; // cases that are open at once, and a few that were looked up

    private record Asked(CaseFile file, List<Outcome> outcomes) {}

    record Judgement(CaseFile.State state, Advice advice) {}

    private final Map<Asked, Judgement> worked = Collections.synchronizedMap(new LinkedHashMap<>(KEPT, .75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, Judgement> eldest) {
            return size() > KEPT;
        }
    });

    /** @param outcomes all that this shop learned */
    Judgement of(CaseFile file, List<Outcome> outcomes) {
        var asked = new Asked(file, outcomes);
        var known = worked.get(asked);
        if (known != null) {
            return known;
        }
        var state = file.state(
                Learning.applied(Table.USUAL, outcomes, file.situation().family()));
        var judgement = new Judgement(state, file.advice(state));
        worked.put(asked, judgement);
        return judgement;
    }
}
