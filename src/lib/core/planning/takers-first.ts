import type { PlannedBuild } from './input.ts';

/** Builds in an order in which every taker comes before what it takes from; a circle keeps its order. */
export function takersFirst(builds: readonly PlannedBuild[]): readonly PlannedBuild[] {
	const ordered: PlannedBuild[] = [];
	let left = [...builds];
	while (left.length > 0) {
		const ids = new Set(left.map((build) => build.preparationId));
		const free = left.filter((build) => !build.takenByBuilds.some((taker) => ids.has(taker)));
		if (free.length === 0) return [...ordered, ...left];
		ordered.push(...free);
		left = left.filter((build) => !free.includes(build));
	}
	return ordered;
}
