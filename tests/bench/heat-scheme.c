/* The heat model in fixed implicit steps of 2 s against a factored tridiagonal matrix: what the solver's own steps are held against. For npm run bench only. */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

static double conversion(double time, double theta) { return 1 - exp(-pow(time / theta, 3)); }

int main(int argc, char **argv) {
  int n = atoi(argv[1]), skin = atoi(argv[2]), plaster = atoi(argv[3]), repeats = argc > 4 ? atoi(argv[4]) : 200;
  double *ratio = malloc(n * sizeof *ratio), *inverse = malloc(n * sizeof *inverse), *t = malloc(n * sizeof *t);
  double lower = -1850, upper = -1850, diagonal = 3.6e6 * 0.0002 / 2 + 3700, step = 2, theta = 5 * 60 * 1.6, peak = 0, omega = 0;
  struct timespec from, to;
  clock_gettime(CLOCK_MONOTONIC, &from);
  for (int repeat = 0; repeat < repeats; repeat++) {
    for (int i = 0; i < n; i++) {
      double pivot = diagonal - (i > 0 ? lower * ratio[i - 1] : 0);
      inverse[i] = 1 / pivot;
      ratio[i] = upper / pivot;
      t[i] = 30;
    }
    for (int k = 1; k <= 1800; k++) {
      double reacted = conversion(k * step, theta) - conversion((k - 1) * step, theta);
      for (int i = 0; i < n; i++) {
        double right = 3.6e6 * 0.0002 / step * t[i] + (i == 0 ? 1850 * 37 : 0) + (i < skin ? 4000 * 0.0002 * 37 : 0);
        if (i >= plaster) right += 1.06e8 * 0.0002 * reacted / step;
        t[i] = right;
      }
      t[0] *= inverse[0];
      for (int i = 1; i < n; i++) t[i] = (t[i] - lower * t[i - 1]) * inverse[i];
      for (int i = n - 2; i >= 0; i--) t[i] -= ratio[i] * t[i + 1];
      double now = (t[skin - 1] + t[skin]) / 2, exchanged = 0;
      for (int i = 0; i < skin; i++) exchanged += step * 4000 * 0.0002 * (37 - t[i]);
      if (now > peak) peak = now;
      omega += step * 3.1e98 * exp(-75000 / (now + 273.15)) + exchanged * 1e-30;
    }
  }
  clock_gettime(CLOCK_MONOTONIC, &to);
  printf("%.6f %.3f %g\n", ((to.tv_sec - from.tv_sec) * 1e3 + (to.tv_nsec - from.tv_nsec) / 1e6) / repeats, peak, omega);
  return 0;
}
