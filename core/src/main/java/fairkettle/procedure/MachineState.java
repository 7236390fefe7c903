package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Every facet's value; those never mentioned have their first. */
public record MachineState(Map<Key, String> values) {

    public static final MachineState USUAL = new MachineState(Map.of());

    record Key(Facet facet, @Nullable ChannelCode channel) {}

    public MachineState {
        values = Map.copyOf(values);
    }

    public String value(Facet facet, @Nullable ChannelCode channel) {
        return values.getOrDefault(new Key(facet, channel), facet.possible().getFirst());
    }

    public boolean holds(Condition condition) {
        return value(condition.facet(), condition.channel()).equals(condition.value());
    }

    public List<Condition> missing(List<Condition> needs) {
        return needs.stream().filter(need -> !holds(need)).toList();
    }

    public MachineState with(List<Condition> effects) {
        var changed = new HashMap<>(values);
        effects.forEach(e -> changed.put(new Key(e.facet(), e.channel()), e.value()));
        return new MachineState(changed);
    }

    /** After several steps' effects, in their order. */
    public MachineState withAll(List<List<Condition>> steps) {
        var changed = new HashMap<>(values);
        steps.forEach(effects -> effects.forEach(e -> changed.put(new Key(e.facet(), e.channel()), e.value())));
        return new MachineState(changed);
    }

    /** What has to be put back before the machine runs, in words: "the tank cap open: K C M Y". */
    public List<String> apart() {
        return conditions().stream()
                .filter(c -> c.facet().putBack(c.value()))
                .collect(Collectors.groupingBy(
                        c -> c.facet().label() + " " + c.value(), TreeMap::new, Collectors.toList()))
                .entrySet()
                .stream()
                .map(e -> e.getKey()
                        + e.getValue().stream()
                                .map(Condition::channel)
                                .filter(Objects::nonNull)
                                .sorted()
                                .map(c -> " " + c)
                                .reduce(String::concat)
                                .map(codes -> ":" + codes)
                                .orElse(""))
                .toList();
    }

    /** What differs from the usual, as conditions. */
    public List<Condition> conditions() {
        return values.entrySet().stream()
                .map(e -> new Condition(e.getKey().facet(), e.getKey().channel(), e.getValue()))
                .toList();
    }
}
