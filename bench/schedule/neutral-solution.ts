import type { Plan } from '../../src/lib/core/schedule/index.ts';
import type { NeutralCase } from './neutral-case.ts';

/** A plan in the neutral form of the judge; -1 where a part is not there. */
export function solutionOf(day: NeutralCase, plan: Plan): unknown {
	const placed = new Map(plan.placed.map((one) => [one.task, one]));
	const start = (task: string) => placed.get(task)?.start ?? -1;
	/** The number at the end of a name: "mixer 2", "oven 1 deck 0". */
	const number = (name: string | null | undefined, part: RegExp) =>
		Number(part.exec(name ?? '')?.[1] ?? -1);
	const mixer = (task: string) => number(placed.get(task)?.mode, /^mixer (\d+)$/);
	return {
		mix: day.mixes.map(({ id, folds }) => ({
			pre: start(`pre ${id}`),
			aut: start(`aut ${id}`),
			autMixer: mixer(`aut ${id}`),
			start: start(`mix ${id}`),
			mixer: mixer(`mix ${id}`),
			folds: folds.map((_, at) => start(`fold ${id}.${at}`))
		})),
		lot: day.lots.map(({ id }) => {
			const bake = placed.get(`bake ${id}`);
			return {
				div: start(`div ${id}`),
				shape: start(`shape ${id}`),
				mode: number(bake?.mode, /^mode (\d+)$/),
				bake: bake?.start ?? -1,
				oven: number(bake?.unit, /^oven (\d+)/),
				deck: number(bake?.unit, /deck (\d+)$/)
			};
		}),
		pack: day.products.map(({ id }) => start(`pack ${id}`))
	};
}
