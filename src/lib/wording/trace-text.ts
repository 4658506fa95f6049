import type {
	BatchTraceView,
	LotTraceView,
	TracedBatchView,
	TracedDrop,
	TraceSearchView
} from '../contracts/trace-views.ts';
import type { LotKnown } from '../core/tracing/index.ts';
import { shortDateText } from './time-text.ts';

export const TRACED_KIND_TEXT: Readonly<Record<TracedBatchView['kind'], string>> = {
	'pre-ferment': 'pre-ferment',
	preparation: 'preparation',
	feed: 'feed',
	mix: 'mix',
	portion: 'bread',
	load: 'load'
};

export const KNOWN_TEXT: Readonly<Record<LotKnown, string>> = {
	told: 'told at the scale',
	possible: 'possible: nobody told the lot, and it lay there then'
};

/** How many there are, in words: "one drop", "4 drops". */
function some(count: number, one: string, more: string): string {
	return count === 1 ? `one ${one}` : `${count} ${more}`;
}

/** What a search found, in one sentence. */
export function searchSentence(view: TraceSearchView): string {
	const { query, lots, batches, withoutLot, tookIt } = view;
	const text = query.trim();
	if (text === '') return 'Which batch, and where did it go?';
	const found = [
		...(lots.length > 0 ? [some(lots.length, 'lot', 'lots')] : []),
		...(batches.length > 0 ? [some(batches.length, 'batch', 'batches')] : [])
	].join(' and ');
	if (found !== '') return `${found.charAt(0).toUpperCase()}${found.slice(1)}.`;
	if (withoutLot.length === 0) return `Nothing is called "${text}".`;
	const took =
		tookIt.length === 0
			? ''
			: `; ${some(tookIt.length, 'batch', 'batches')} took ${withoutLot.length === 1 ? 'it' : 'of them'}`;
	return `No lot of ${listed(withoutLot)} was ever told${took}.`;
}

/** Names in a sentence: "rye flour, spelt flour or 3 more". */
export function listed(names: readonly string[]): string {
	const [first = '', second, ...more] = names;
	if (second === undefined) return first;
	return more.length === 0 ? `${first} or ${second}` : `${first}, ${second} or ${more.length} more`;
}

/** Where a lot went, in one sentence. */
export function recallSentence({ lot, batches, drops }: LotTraceView): string {
	const name = `${lot.ingredient}, lot ${lot.lot}`;
	if (batches.length === 0) return `${name}: no batch has it.`;
	const made = batches.filter(({ kind }) => kind !== 'portion').length;
	const names = [...new Set(drops.map(({ drop }) => drop))];
	const sure = drops.filter(({ known }) => known === 'told').length;
	const to =
		drops.length === 0
			? 'No drop is known to have bread of it'
			: `Its bread went to ${names.join(', ')}`;
	const how =
		drops.length === 0
			? ''
			: sure === drops.length
				? ', as told at the scale'
				: sure === 0
					? ', possibly: nobody told the lot at the scale'
					: ', some of it only possibly';
	return `${name}: in ${some(made, 'batch', 'batches')}. ${to}${how}.`;
}

/** What went into a batch and where it went, in one sentence. */
export function batchSentence({ batch, madeOf, drops }: BatchTraceView): string {
	const lots = madeOf.flatMap(({ ingredients }) => ingredients);
	const told = lots.filter(({ lots: of }) => of.some(({ known }) => known === 'told')).length;
	const unknown = lots.filter(({ lots: of }) => of.length === 0).length;
	const how = [
		...(told > 0 ? [`the lot of ${told} told at the scale`] : []),
		...(lots.length - told - unknown > 0 ? [`of ${lots.length - told - unknown} possible`] : []),
		...(unknown > 0 ? [`of ${unknown} not known`] : [])
	].join(', ');
	const names = [...new Set(drops.map(({ drop }) => drop))];
	const went = names.length === 0 ? 'no drop is known' : `its bread went to ${names.join(', ')}`;
	return `${tracedName(batch)}, ${shortDateText(batch.date)}: ${some(lots.length, 'ingredient', 'ingredients')} went in${how === '' ? '' : `, ${told > 0 ? '' : 'the lot '}${how}`}; ${went}.`;
}

/** A batch by its name: "Harbour dough 2", "Harbour loaf". */
export function tracedName({ kind, name, ordinal }: TracedBatchView): string {
	return kind === 'portion' || kind === 'load' ? name : `${name} ${ordinal}`;
}

/** The drops of a trace, each with its dates: what a list to call by is read out from. */
export function dropsByName(
	drops: readonly TracedDrop[]
): readonly { readonly name: string; readonly lines: readonly TracedDrop[] }[] {
	const names = [...new Set(drops.map(({ drop }) => drop))];
	return names.map((name) => ({ name, lines: drops.filter(({ drop }) => drop === name) }));
}
