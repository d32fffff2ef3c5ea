/* Solves a balance of heat with CHOLMOD, analysis and factors included; for the bench only. See scipy_solve.py. */
#include <suitesparse/cholmod.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

static double now(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return 1e3 * t.tv_sec + 1e-6 * t.tv_nsec;
}

static int by_size(const void *a, const void *b) {
  double d = *(const double *)a - *(const double *)b;
  return (d > 0) - (d < 0);
}

int main(int argc, char **argv) {
  if (argc < 3) return 2;
  FILE *file = fopen(argv[1], "rb");
  int head[2], rounds = atoi(argv[2]);
  if (!file || fread(head, 4, 2, file) != 2) return 2;
  int n = head[0], nnz = head[1];
  cholmod_common c;
  cholmod_start(&c);
  /* Only the upper triangle of what is stored counts. */
  cholmod_sparse *A = cholmod_allocate_sparse(n, n, nnz, 0, 1, 1, CHOLMOD_REAL, &c);
  cholmod_dense *b = cholmod_allocate_dense(n, 1, n, CHOLMOD_REAL, &c);
  double *answer = malloc(8 * (size_t)n), *times = malloc(8 * (size_t)rounds), worst = 0;
  int ok = fread(A->p, 4, n + 1, file) == (size_t)n + 1 && fread(A->i, 4, nnz, file) == (size_t)nnz;
  long at = 8 + 4L * (n + 1) + 4L * nnz;
  fseek(file, at + (8 - at % 8) % 8, SEEK_SET);
  ok = ok && fread(A->x, 8, nnz, file) == (size_t)nnz && fread(b->x, 8, n, file) == (size_t)n &&
       fread(answer, 8, n, file) == (size_t)n;
  if (!ok) return 2;
  for (int k = 0; k < rounds; k++) {
    double start = now();
    cholmod_factor *L = cholmod_analyze(A, &c);
    cholmod_factorize(A, L, &c);
    cholmod_dense *x = cholmod_solve(CHOLMOD_A, L, b, &c);
    times[k] = now() - start;
    for (int i = 0; k == 0 && i < n; i++) worst = fmax(worst, fabs(((double *)x->x)[i] - answer[i]));
    cholmod_free_dense(&x, &c);
    cholmod_free_factor(&L, &c);
  }
  qsort(times, rounds, 8, by_size);
  printf("{\"ms\": %.6f, \"difference\": %.3e}\n", times[rounds / 2], worst);
  return 0;
}
