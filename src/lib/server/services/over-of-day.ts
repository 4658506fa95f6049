import type { OverView } from '../../contracts/views.ts';
import type { BakeryDay } from './day-production.ts';

/** Everything of a date of which more was made than is ordered any more. */
export function overOfDay({ production }: BakeryDay): readonly OverView[] {
	const mixes = production.doughs.flatMap((dough) =>
		dough.mixes.flatMap((mix): OverView[] => {
			if (mix.over.grams <= 0) return [];
			const first = dough.products[0]?.product;
			const weight = first?.takes.grams ?? 0;
			const count = weight > 0 ? Math.floor(mix.over.grams / weight) : 0;
			return [
				{
					kind: 'mix',
					name: mix.resolved.formula.name,
					ordinal: mix.ordinal,
					count: mix.count,
					grams: mix.over.grams,
					pieces: first && count > 0 ? { name: first.name, count } : null
				}
			];
		})
	);
	const builds = production.builds.flatMap((build): OverView[] =>
		build.over.grams > 0
			? [
					{
						kind: build.preparation.kind === 'build' ? 'pre-ferment' : 'preparation',
						name: build.preparation.name,
						ordinal: build.ordinal,
						count: production.builds.filter(
							(other) => other.preparation.id === build.preparation.id
						).length,
						grams: build.over.grams,
						pieces: null
					}
				]
			: []
	);
	return [...mixes, ...builds];
}
