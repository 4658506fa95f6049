import type { CompiledEdge, CompiledMode } from './compiled.ts';

/**
 * Narrows when each task can start by the lags alone, as far as they go (a few sweeps of the temporal network).
 *
 * Changes `earliest` and `latest`. An empty domain is left empty: the search then cannot place the task and
 * the explanation tells why. Source: constraint propagation on simple temporal networks.
 */
export function tightenDomains(
	edges: readonly CompiledEdge[],
	modes: readonly CompiledMode[],
	firstMode: Int32Array,
	earliest: Int32Array,
	latest: Int32Array
): void {
	const tasks = earliest.length;
	const shortest = new Int32Array(tasks).fill(1 << 28);
	const longest = new Int32Array(tasks);
	for (let u = 0; u < tasks; u += 1)
		for (let m = firstMode[u] ?? 0; m < (firstMode[u + 1] ?? 0); m += 1) {
			const mode = modes[m];
			if (!mode?.allowed) continue;
			// A portion stays as long as the longest of its load.
			const stretch = mode.portion ? mode.portion.tolerance : 0;
			shortest[u] = Math.min(shortest[u] ?? 0, mode.length);
			longest[u] = Math.max(longest[u] ?? 0, mode.length + stretch);
		}
	for (let sweep = 0, changed = true; changed && sweep < tasks + 2 && sweep < 200; sweep += 1) {
		changed = false;
		for (const edge of edges) {
			const { before, after } = edge;
			const least = (edge.fromStart ? 0 : (shortest[before] ?? 0)) + edge.leastOfAll;
			const most = (edge.fromStart ? 0 : (longest[before] ?? 0)) + edge.mostOfAll;
			const raised = (earliest[before] ?? 0) + least;
			if (raised > (earliest[after] ?? 0)) {
				earliest[after] = raised;
				changed = true;
			}
			const lowered = (latest[after] ?? 0) - least;
			if (lowered < (latest[before] ?? 0)) {
				latest[before] = lowered;
				changed = true;
			}
			const drawn = (earliest[after] ?? 0) - most;
			if (drawn > (earliest[before] ?? 0)) {
				earliest[before] = drawn;
				changed = true;
			}
			const held = (latest[before] ?? 0) + most;
			if (held < (latest[after] ?? 0)) {
				latest[after] = held;
				changed = true;
			}
		}
	}
}
