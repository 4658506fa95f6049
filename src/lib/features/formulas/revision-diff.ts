import { diffArrays } from 'diff';
import type { RevisionContent } from '../../contracts/views.ts';
import {
	compareFormulas,
	comparePreparations,
	type Delivery,
	type Ingredient,
	type LineDifference,
	type Preparation
} from '../../core/formula/index.ts';
import type { PreparationId } from '../../core/identity.ts';
import {
	formatMass,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../../core/units/index.ts';
import { laterText } from '../../wording/addition-text.ts';
import { stepText } from '../../wording/step-text.ts';

/** One line that two revisions do not share; null on the side where it is not. */
export interface ReadDifference {
	readonly name: string;
	readonly before: string | null;
	readonly after: string | null;
}

export interface ReadPart {
	readonly part: string;
	readonly lines: readonly ReadDifference[];
}

/** What the names of a comparison are read from. */
export interface Names {
	readonly ingredients: readonly Ingredient[];
	readonly deliveries: readonly Delivery[];
	readonly units: UnitChoice;
}

/** Everything in which two revisions differ, line by line, in words. */
export function readDifferences(
	before: RevisionContent,
	after: RevisionContent,
	names: Names
): readonly ReadPart[] {
	const parts: ReadPart[] = [
		{ part: 'The dough', lines: settings(before, after, names) },
		{
			part: 'Final dough, % of flour',
			lines: compareFormulas(before.formula, after.formula).map((line) =>
				readLine(line, before, after, names)
			)
		},
		...buildParts(before, after, names),
		{ part: 'Steps', lines: steps(before, after, names.units) }
	];
	return parts.filter((part) => part.lines.length > 0);
}

function settings(
	before: RevisionContent,
	after: RevisionContent,
	{ ingredients, deliveries, units }: Names
): readonly ReadDifference[] {
	const lines: ReadDifference[] = [];
	const add = (name: string, was: string, is: string) => {
		if (was !== is) lines.push({ name, before: was, after: is });
	};
	const celsius = (revision: RevisionContent) =>
		formatTemperature({ celsius: revision.targetCelsius }, 1, units);
	const most = (revision: RevisionContent) =>
		revision.mostDoughGrams === null
			? "the mixer's own limit"
			: formatMass({ grams: revision.mostDoughGrams }, 0, units);
	const loss = (revision: RevisionContent) =>
		`${formatNumber(revision.formula.doughLoss.share * 100, 1)} %`;
	add('Name', before.formula.name, after.formula.name);
	add('Dough temperature wanted', celsius(before), celsius(after));
	add('Lost before the pieces', loss(before), loss(after));
	add('Most in the mixer', most(before), most(after));
	const lot = (revision: RevisionContent, ingredientId: string) => {
		const found = revision.formula.deliveries.find((each) => each.ingredientId === ingredientId);
		return found
			? (deliveries.find((each) => each.id === found.deliveryId)?.lot ?? 'another delivery')
			: 'the house flour';
	};
	for (const { id, name } of ingredients) add(`${name}, delivery`, lot(before, id), lot(after, id));
	return lines;
}

/** The builds that either side takes from, at any depth. */
function buildParts(
	before: RevisionContent,
	after: RevisionContent,
	names: Names
): readonly ReadPart[] {
	const was = reached(before);
	const is = reached(after);
	return [...new Map([...was, ...is]).keys()].map((key) => {
		const old = was.get(key);
		const now = is.get(key);
		const { name } = (now ?? old) as Preparation;
		const empty = (preparation: Preparation): Preparation => ({ ...preparation, lines: [] });
		const lines = comparePreparations(
			old ?? empty(now as Preparation),
			now ?? empty(old as Preparation)
		);
		return {
			part: `${name}, % of it`,
			lines: lines.map((line) => readLine(line, before, after, names))
		};
	});
}

function reached(content: RevisionContent): ReadonlyMap<PreparationId, Preparation> {
	const found = new Map<PreparationId, Preparation>();
	const visit = (
		lines: readonly { readonly material: Preparation['lines'][number]['material'] }[]
	) => {
		for (const { material } of lines) {
			if (material.kind !== 'preparation' || found.has(material.preparationId)) continue;
			const one = content.preparations.find(({ id }) => id === material.preparationId);
			if (!one) continue;
			found.set(one.id, one);
			visit(one.lines);
		}
	};
	visit(content.formula.lines);
	return found;
}

function readLine(
	{ material, addition, before, after }: LineDifference,
	was: RevisionContent,
	is: RevisionContent,
	{ ingredients }: Names
): ReadDifference {
	const name =
		material.kind === 'ingredient'
			? ingredients.find((ingredient) => ingredient.id === material.ingredientId)?.name
			: [...is.preparations, ...was.preparations].find(
					(preparation) => preparation.id === material.preparationId
				)?.name;
	const later = laterText(addition);
	const amount = (value: number | null) => (value === null ? null : `${formatNumber(value, 2)} %`);
	return {
		name: `${name ?? 'something no longer in the book'}${later ? `, ${later}` : ''}`,
		before: amount(before),
		after: amount(after)
	};
}

function steps(
	before: RevisionContent,
	after: RevisionContent,
	units: UnitChoice
): readonly ReadDifference[] {
	const read = (revision: RevisionContent) => revision.steps.map((step) => stepText(step, units));
	return diffArrays(read(before), read(after)).flatMap(({ added, removed, value }) =>
		added || removed
			? value.map((text) => ({
					name: '',
					before: removed ? text : null,
					after: added ? text : null
				}))
			: []
	);
}
