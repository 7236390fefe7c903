package fairkettle.round;

import java.util.Arrays;

/**
 * What a plan grows from.
 *
 * <p>{@code order}: chains by number, where the k-th time a chain comes is its k-th segment. {@code person}: by task,
 * or -1 for whoever is free first. {@code notBefore}: by segment a minute before which it does not begin; behind them,
 * by task, the minutes by which the bounded wait before it is stretched beyond its least.
 */
final class Genes {

    final int[] order;
    final int[] person;
    final int[] notBefore;

    Genes(Layout day) {
        order = new int[day.segments];
        person = new int[day.tasks];
        notBefore = new int[day.segments + day.tasks];
        Arrays.fill(person, -1);
    }

    private Genes(Genes other) {
        order = other.order.clone();
        person = other.person.clone();
        notBefore = other.notBefore.clone();
    }

    Genes copy() {
        return new Genes(this);
    }

    void become(Genes other) {
        System.arraycopy(other.order, 0, order, 0, order.length);
        System.arraycopy(other.person, 0, person, 0, person.length);
        System.arraycopy(other.notBefore, 0, notBefore, 0, notBefore.length);
    }
}
