import type { CompiledEdge } from './compiled.ts';
import type { Lengths } from './lengths.ts';

/**
 * Narrows when each task can start by the lags alone, as far as they go (a few sweeps of the temporal network).
 *
 * Changes `earliest` and `latest`. An empty domain is left empty: the search then cannot place the task and
 * the explanation tells why. Source: constraint propagation on simple temporal networks.
 */
export function tightenDomains(
	edges: readonly CompiledEdge[],
	{ shortest, longest }: Lengths,
	earliest: Int32Array,
	latest: Int32Array
): void {
	const tasks = earliest.length;
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
