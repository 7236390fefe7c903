package fairkettle.server.round;

import fairkettle.server.papers.Sheet;
import fairkettle.server.round.RoundView.RoundJson;
import fairkettle.server.round.RoundView.StationJson;
import fairkettle.server.round.RoundView.WalkerJson;
import java.io.IOException;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.Collectors;

/** The round on paper, to tick with a pencil: a list for each person, what does not fit, and what is promised. */
final class RoundSheet {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM", Locale.ENGLISH);

    private RoundSheet() {}

    static byte[] of(RoundJson round, String shop, ZoneId zone, String paper) throws IOException {
        var machines = round.machines().stream().collect(Collectors.toMap(StationJson::id, StationJson::name));
        try (var sheet = new Sheet(Sheet.paper(paper), shop + " · the round of " + DAY.format(round.day()))) {
            sheet.title("The round of " + DAY.format(round.day()));
            sheet.text("Planned at %s: %d min of hands%s."
                    .formatted(
                            TIME.format(round.now().atZone(zone)),
                            round.hands(),
                            round.finish() == null
                                    ? ""
                                    : ", done by " + TIME.format(round.finish().atZone(zone))));
            for (WalkerJson person : round.people()) {
                var mine = round.visits().stream()
                        .filter(v -> Objects.equals(v.person(), person.id()))
                        .toList();
                if (mine.isEmpty()) {
                    continue;
                }
                sheet.heading(person.name());
                for (var visit : mine) {
                    sheet.tick("%s   %s: %s   (%d min%s)"
                            .formatted(
                                    TIME.format(visit.at().atZone(zone)),
                                    machines.get(visit.machine()),
                                    visit.title(),
                                    visit.hands(),
                                    visit.works() > 0
                                            ? ", then the machine %d".formatted(visit.works())
                                            : visit.rests() > 0 ? ", then it rests %d".formatted(visit.rests()) : ""));
                    visit.cautions().forEach(c -> sheet.small(c, 20));
                }
            }
            if (round.visits().isEmpty()) {
                sheet.text("Nothing is due.");
            }
            if (!round.promises().isEmpty()) {
                sheet.heading("Promised");
                round.promises()
                        .forEach(p -> sheet.text("%s   %s: %s, %d min%s"
                                .formatted(
                                        TIME.format(p.at().atZone(zone)),
                                        machines.get(p.machine()),
                                        p.words(),
                                        p.minutes(),
                                        p.kept() ? "" : " – CANNOT BE KEPT")));
            }
            if (!round.left().isEmpty()) {
                sheet.heading("Does not fit today");
                round.left()
                        .forEach(l -> sheet.text("%s: %s (%d min). %s"
                                .formatted(machines.get(l.machine()), l.title(), l.hands(), l.risk())));
            }
            return sheet.bytes();
        }
    }
}
