"""Solves a balance of heat with the default sparse solver of SciPy; for the bench only.

Usage: scipy_solve.py FILE ROUNDS; it prints the median of the rounds in ms and the largest difference to the answer in
the file. The file holds, little-endian: n and nnz (int32), column pointers and rows (int32), values, right side and
answer (float64), of the whole symmetric matrix by columns.
"""
import json
import sys
import time

import numpy as np
from scipy.sparse import csc_matrix
from scipy.sparse.linalg import spsolve

raw = open(sys.argv[1], "rb").read()
n, nnz = np.frombuffer(raw, "<i4", 2)
at = 8
pointers = np.frombuffer(raw, "<i4", n + 1, at)
at += 4 * (n + 1)
rows = np.frombuffer(raw, "<i4", nnz, at)
at += 4 * nnz
at += -at % 8
values = np.frombuffer(raw, "<f8", nnz, at)
at += 8 * nnz
right = np.frombuffer(raw, "<f8", n, at)
answer = np.frombuffer(raw, "<f8", n, at + 8 * n)
matrix = csc_matrix((values, rows, pointers), shape=(n, n))
times = []
for _ in range(int(sys.argv[2])):
    start = time.perf_counter()
    x = spsolve(matrix, right)
    times.append(1000 * (time.perf_counter() - start))
print(json.dumps({"ms": float(np.median(times)), "difference": float(np.max(np.abs(x - answer)))}))
