package fairkettle.imaging;

/** Weighted linear least squares by the normal equations, with a small ridge. */
final class LeastSquares {

    private LeastSquares() {}

    /** Minimises Σ wᵢ (aᵢ·s − bᵢ)² + ridge·Σw·|s|². */
    static double[] solve(double[][] a, double[] b, double[] weights, double ridge) {
        int n = a[0].length;
        var m = new double[n][n + 1];
        double all = 0;
        for (int i = 0; i < a.length; i++) {
            all += weights[i];
            for (int j = 0; j < n; j++) {
                double wa = weights[i] * a[i][j];
                for (int k = 0; k < n; k++) {
                    m[j][k] += wa * a[i][k];
                }
                m[j][n] += wa * b[i];
            }
        }
        for (int j = 0; j < n; j++) {
            m[j][j] += ridge * all;
        }
        return gauss(m);
    }

    /** Solves the augmented system in place, with row pivots. */
    static double[] gauss(double[][] m) {
        int n = m.length;
        for (int column = 0; column < n; column++) {
            int pivot = column;
            for (int row = column + 1; row < n; row++) {
                if (Math.abs(m[row][column]) > Math.abs(m[pivot][column])) {
                    pivot = row;
                }
            }
            var swap = m[column];
            m[column] = m[pivot];
            m[pivot] = swap;
            double by = m[column][column];
            if (Math.abs(by) < 1e-300) {
                by = 1e-300;
            }
            for (int row = 0; row < n; row++) {
                if (row != column) {
                    double factor = m[row][column] / by;
                    for (int k = column; k <= n; k++) {
                        m[row][k] -= factor * m[column][k];
                    }
                }
            }
        }
        var s = new double[n];
        for (int i = 0; i < n; i++) {
            s[i] = m[i][n] / (Math.abs(m[i][i]) < 1e-300 ? 1e-300 : m[i][i]);
        }
        return s;
    }
}
