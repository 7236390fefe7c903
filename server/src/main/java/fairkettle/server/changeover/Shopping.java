package fairkettle.server.changeover;

import fairkettle.changeover.Bottles;
import fairkettle.changeover.Plan;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The shopping and tool list of a plan, with what is on the shelf struck off. */
public final class Shopping {

    private Shopping() {}

    /** @param kind ink, fluid, part, used up or tool; @param price of what is to be bought */
    public record Line(
            String kind,
            String what,
            int count,
            int onShelf,
            int buy,
            @Nullable Money price) {}

    public static List<Line> of(Plan plan) {
        var lines = new ArrayList<Line>();
        for (var channel : plan.channels()) {
            if (!channel.needed().isZero()) {
                var name = "%s ink %s".formatted(plan.family().label(), channel.code());
                bottles(lines, "ink", name, channel.bottles(), channel.needed(), plan);
            }
        }
        if (!plan.fluid().isZero()) {
            bottles(
                    lines,
                    "fluid",
                    "cleaning fluid for " + plan.family().label(),
                    plan.fluidBottles(),
                    plan.fluid(),
                    plan);
        }
        for (var need : plan.needs()) {
            var kind = switch (need.what().kind()) {
                case PART -> "part";
                case CONSUMED -> "used up";
                case TOOL -> "tool";
            };
            lines.add(new Line(
                    kind,
                    need.what().label(),
                    need.count(),
                    need.onShelf(),
                    need.buy(),
                    need.each().times(need.buy())));
        }
        return lines;
    }

    private static void bottles(
            List<Line> lines, String kind, String name, Bottles bottles, Millilitres needed, Plan plan) {
        if (bottles.bottles().isEmpty()) {
            lines.add(new Line(kind, "%s, %d mL of it".formatted(name, Math.round(needed.mL())), 1, 1, 0, null));
        }
        bottles.bottles().stream()
                .collect(Collectors.groupingBy(Bottles.Size::volume, TreeMap::new, Collectors.toList()))
                .forEach((volume, of) -> lines.add(new Line(
                        kind,
                        "%s, %s mL".formatted(name, volume),
                        of.size(),
                        0,
                        of.size(),
                        Money.sum(
                                of.stream().map(Bottles.Size::price).toList(),
                                plan.total().currency()))));
    }
}
