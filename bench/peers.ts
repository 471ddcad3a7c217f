/** Minimum cut of a grid by Dinic's algorithm: the general textbook method, for comparison. */
export function dinicGrid(rows: number, cols: number, cost: ArrayLike<number>, source: readonly number[]): number {
  const n = rows * cols;
  const [s, t] = [n, n + 1];
  const [head, next, to, cap] = [new Int32Array(n + 2).fill(-1), [] as number[], [] as number[], [] as number[]];
  const arc = (a: number, b: number, capacity: number, back: number) => {
    for (const [from, end, c] of [
      [a, b, capacity],
      [b, a, back],
    ] as const) {
      to.push(end);
      cap.push(c);
      next.push(head[from]!);
      head[from] = to.length - 1;
    }
  };
  for (let i = 0; i < n; i++) {
    if ((i + 1) % cols > 0) arc(i, i + 1, (cost[i]! + cost[i + 1]!) / 2, (cost[i]! + cost[i + 1]!) / 2);
    if (i + cols < n) arc(i, i + cols, (cost[i]! + cost[i + cols]!) / 2, (cost[i]! + cost[i + cols]!) / 2);
    if (i < cols || i >= n - cols || i % cols === 0 || i % cols === cols - 1) arc(i, t, Infinity, 0);
  }
  for (const cell of source) arc(s, cell, Infinity, 0);
  const level = new Int32Array(n + 2);
  const current = new Int32Array(n + 2);
  let flow = 0;
  for (;;) {
    level.fill(-1);
    level[s] = 0;
    const queue = [s];
    for (let k = 0; k < queue.length; k++)
      for (let e = head[queue[k]!]!; e >= 0; e = next[e]!)
        if (cap[e]! > 0 && level[to[e]!]! < 0) {
          level[to[e]!] = level[queue[k]!]! + 1;
          queue.push(to[e]!);
        }
    if (level[t]! < 0) return flow;
    current.set(head);
    for (;;) {
      const pushed = push(s, Infinity);
      if (pushed === 0) break;
      flow += pushed;
    }
  }
  function push(from: number, limit: number): number {
    if (from === t) return limit;
    for (; current[from]! >= 0; current[from] = next[current[from]!]!) {
      const e = current[from]!;
      if (!(cap[e]! > 0) || level[to[e]!] !== level[from]! + 1) continue;
      const got = push(to[e]!, Math.min(limit, cap[e]!));
      if (got > 0) {
        cap[e]! -= got;
        cap[e ^ 1]! += got;
        return got;
      }
    }
    return 0;
  }
}
