package fairkettle.measure.shelf;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.LinearArgument;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import fairkettle.books.SeededOffers;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;

/** An order as a constraint model. */
final class OrderProof {

    private static final int MOST = 30; // of one offer
    private static final long FAR = 10_000_000;

    static {
        Loader.loadNativeLibraries();
    }

    private OrderProof() {}

    /** @return the least total; below 0 if the solver did not prove one */
    static long least(SeededOffers shop) {
        var model = new CpModel();
        var counts = new ArrayList<IntVar>();
        var goods = new HashMap<String, List<LinearArgument>>();
        for (var offer : shop.offers()) {
            var count = model.newIntVar(0, MOST, "");
            counts.add(count);
            var priced = new long[MOST + 1];
            for (int n = 0; n <= MOST; n++) {
                priced[n] = offer.price(n);
            }
            var price = model.newIntVar(0, FAR, "");
            model.addElement(count, priced, price);
            goods.computeIfAbsent(offer.supplier(), _ -> new ArrayList<>()).add(price);
        }
        shop.needs().forEach((article, need) -> {
            LinearExprBuilder there = LinearExpr.newBuilder();
            for (int o = 0; o < counts.size(); o++) {
                there.addTerm(counts.get(o), shop.offers().get(o).contents().getOrDefault(article, 0L));
            }
            model.addGreaterOrEqual(there, need);
        });
        LinearExprBuilder total = LinearExpr.newBuilder();
        for (var supplier : shop.suppliers()) {
            var sum =
                    LinearExpr.sum(goods.getOrDefault(supplier.id(), List.of()).toArray(LinearArgument[]::new));
            total.add(sum);
            var pays = model.newBoolVar("");
            total.addTerm(pays, supplier.postage());
            var none = model.newBoolVar("");
            model.addLessOrEqual(sum, 0).onlyEnforceIf(none);
            if (supplier.freeFrom() == null) {
                model.addBoolOr(new com.google.ortools.sat.Literal[] {pays, none});
            } else {
                var free = model.newBoolVar("");
                model.addGreaterOrEqual(sum, supplier.freeFrom()).onlyEnforceIf(free);
                model.addBoolOr(new com.google.ortools.sat.Literal[] {pays, none, free});
            }
        }
        model.minimize(total);
        var solver = new CpSolver();
        solver.getParameters().setMaxTimeInSeconds(10).setNumWorkers(1);
        return solver.solve(model) == CpSolverStatus.OPTIMAL ? Math.round(solver.objectiveValue()) : -1;
    }
}
