package overturn.repair;

import static java.util.Objects.requireNonNull;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The order in which steps can be done: each when what it needs is so, and none that spoils what another still needs
 * and nothing brings back. Among those that can be done the earlier section comes first, then the place where the hands
 * are, then the same act elsewhere, then the order of the recipe.
 */
final class WorkOrder {

    private final List<WorkStep> pending;
    /** Of those that are pending, which make what so, and which need it. */
    private final Map<Condition, List<WorkStep>> makers = new HashMap<>();

    private final Map<Condition, List<WorkStep>> needers = new HashMap<>();
    private final List<WorkStep> ordered = new ArrayList<>();
    private final Set<String> so = new HashSet<>();
    private String hands = "";
    private String act = "";

    private WorkOrder(List<WorkStep> steps) {
        pending = new ArrayList<>(steps);
        for (WorkStep step : steps) {
            step.makes()
                    .forEach(made -> makers.computeIfAbsent(made, one -> new ArrayList<>())
                            .add(step));
            step.needs()
                    .forEach(need -> needers.computeIfAbsent(need, one -> new ArrayList<>())
                            .add(step));
        }
    }

    /** @throws IllegalStateException if no order meets what the steps need: a recipe contradicts itself */
    static List<WorkStep> of(List<WorkStep> steps) {
        return new WorkOrder(steps).ordered();
    }

    /**
     * The same; by section where no order meets what the steps need, as a circuit of a workshop's own may have it: a
     * job has to open.
     */
    static List<WorkStep> orBySection(List<WorkStep> steps) {
        try {
            return of(steps);
        } catch (IllegalStateException contradiction) {
            return steps.stream()
                    .sorted(Comparator.comparing(WorkStep::section))
                    .toList();
        }
    }

    private List<WorkStep> ordered() {
        while (!pending.isEmpty()) {
            WorkStep next = pending.stream()
                    .filter(this::canBeDone)
                    .sorted(Comparator.comparing(this::turn)
                            .thenComparing(step -> !step.place().equals(hands))
                            .thenComparing(step -> !step.id().equals(act)))
                    .filter(this::spoilsNothing)
                    .findFirst()
                    .orElseThrow(() -> new IllegalStateException("No step of these can be done: " + blocked()));
            pending.remove(next);
            next.makes().forEach(made -> requireNonNull(makers.get(made)).remove(next));
            next.needs().forEach(need -> requireNonNull(needers.get(need)).remove(next));
            ordered.add(next);
            hands = next.place();
            act = next.id();
            next.makes().forEach(made -> {
                if (made.so()) {
                    so.add(made.state());
                } else {
                    so.remove(made.state());
                }
            });
        }
        return ordered;
    }

    /** What can be looked at only for a while is looked at with the comparing, wherever it is listed. */
    private Section turn(WorkStep step) {
        boolean passes = step.section() == Section.BEYOND
                && step.needs().stream()
                        .flatMap(need -> making(need.opposite()).stream())
                        .anyMatch(other -> other != step);
        return passes ? Section.COMPARE : step.section();
    }

    private boolean holds(Condition condition) {
        return so.contains(condition.state()) == condition.so();
    }

    private boolean canBeDone(WorkStep step) {
        return step.needs().stream().allMatch(this::holds);
    }

    private boolean spoilsNothing(WorkStep step) {
        return step.makes().stream()
                .map(Condition::opposite)
                .noneMatch(lost -> needing(lost).stream()
                        .filter(other -> other != step)
                        .anyMatch(other -> making(lost).stream()
                                .filter(maker -> maker != step && maker != other)
                                .allMatch(maker -> waitsFor(maker, other, new HashSet<>()))));
    }

    /**
     * Whether a step cannot come before another: all that could make something it needs is that other or waits for it.
     */
    private boolean waitsFor(WorkStep step, WorkStep other, Set<String> seen) {
        if (!seen.add(step.key())) {
            return false;
        }
        return step.needs().stream()
                .filter(need -> !holds(need))
                .anyMatch(need -> !making(need).isEmpty()
                        && making(need).stream().allMatch(maker -> maker == other || waitsFor(maker, other, seen)));
    }

    private List<WorkStep> making(Condition condition) {
        return makers.getOrDefault(condition, List.of());
    }

    private List<WorkStep> needing(Condition condition) {
        return needers.getOrDefault(condition, List.of());
    }

    private String blocked() {
        StringBuilder said = new StringBuilder();
        for (WorkStep step : pending) {
            said.append(step.key()).append(" waits for ");
            step.needs().stream()
                    .filter(need -> !holds(need))
                    .forEach(need -> said.append(need.so() ? "" : "no ")
                            .append(need.state())
                            .append(' '));
            if (canBeDone(step)) {
                said.append("what it would spoil");
            }
            said.append("; ");
        }
        return said.toString();
    }
}
