import { formatNumber } from '../core/units/index.ts';
import type { Source, Term, TermKey } from '../core/explain/index.ts';
import { clockText, dayText } from './time-text.ts';

/** What a number of an explanation is called. */
const TERMS: Record<TermKey, string> = {
	pieces: 'pieces',
	'piece-weight': 'scaled weight of a piece',
	'sheet-share': 'sheets with their trim, as a multiple of the pieces',
	'dough-in-pieces': 'dough in pieces',
	'baked-weight': 'baked weight of a piece',
	'bake-loss': 'lost in the oven, as a share',
	'on-hand': 'on hand',
	'build-usable': 'of it for the dough',
	'mixer-most': 'the most the mixer takes',
	'mixer-fill': 'filled to, as a share',
	'dough-loss': 'dough loss, as a share',
	'kept-share': 'share that reaches the pieces',
	whole: 'the whole',
	dough: 'dough',
	mixes: 'mixes',
	mix: 'mix',
	'mix-dough': 'dough of one mix',
	'total-flour': 'total flour',
	'total-percent': 'everything, in percent of the flour',
	percent: 'percent of the flour',
	line: 'amount',
	'build-needed': 'needed',
	'build-short': 'still short',
	'take-back': 'kept back for the next feed',
	'kept-back-on-the-way': 'kept back on the way, with its losses',
	'percent-with-losses': 'percent of the flour, losses on the way included',
	'mixed-share': 'share of it that is mixed',
	'build-loss': 'left in the tub, as a share',
	'build-gross': 'to make',
	parts: 'parts',
	'target-dough': 'dough temperature wanted',
	'temperatures-counted': 'temperatures that count',
	'flour-temperature': 'flour',
	'room-temperature': 'room',
	'preferment-temperature': 'pre-ferment',
	'other-temperatures': 'the other temperatures',
	'friction-factor': 'friction factor',
	'learned-rise': 'rise above the mean of what counts, by your own doughs',
	'friction-work': 'friction work of this mix',
	'dough-heat-capacity': 'heat capacity of this dough',
	'water-temperature': 'water temperature',
	'water-mass': 'water of this mix',
	'tap-temperature': 'cold tap',
	'ice-mass': 'ice',
	'ice-temperature': 'temperature of the ice',
	'water-heat-capacity': 'heat capacity of water',
	'ice-heat-capacity': 'heat capacity of ice',
	'latent-heat': 'heat that melts ice',
	absorption: 'water it takes beyond the house flour',
	'water-correction': 'change of water',
	hydration: 'hydration',
	'hydration-without-soakers': 'hydration without soakers',
	'effective-hydration': 'effective hydration',
	salt: 'salt',
	yeast: 'yeast as fresh',
	'prefermented-flour': 'pre-fermented flour',
	'flour-in-build': 'flour in it',
	wholegrain: 'wholegrain',
	inoculation: 'inoculation',
	'seed-ratio-flour': 'fresh flour to one of seed',
	'seed-ratio-water': 'fresh water to one of seed',
	'water-share': 'water in it, as a share',
	'flour-share': 'flour in it, as a share',
	'wholegrain-share': 'wholegrain in it, as a share',
	'fresh-equivalent': 'fresh yeast that one gram stands for',
	price: 'price',
	'cost-per-kilogram': 'ingredients of a kilogram of dough',
	'cost-per-piece': 'ingredients of a piece',
	'piece-weight-kg': 'scaled weight',
	'base-temperature': 'base temperature',
	'friction-heat': 'heat of friction',
	'dough-mass': 'dough in the bowl',
	'dough-temperature': 'measured dough',
	'expected-dough': 'dough expected',
	'scald-ends': 'scald ends at',
	'scald-poured': 'poured at',
	'heat-in': 'heat it brings, counted from 0 °C',
	'heat-brought': 'heat in the bowl, counted from 0 °C',
	'heat-per-degree': 'heat that warms all of it by a degree',
	'dough-with-water-at-zero': 'the dough if its water were at 0 °C, stage by stage',
	'dough-per-degree-of-water': 'degrees of dough for one of water',
	'heat-of': 'heat to bring to the dough',
	'mass-of': 'weight',
	'heat-capacity-of': 'heat capacity',
	'temperature-of': 'temperature',
	grouped: 'together'
};

export function termText(term: Term): string {
	const text = TERMS[term.key];
	if (term.of === undefined) return text;
	if (term.key === 'line' || term.key === 'preferment-temperature') return term.of;
	return `${text}, ${term.of}`;
}

const INSTRUMENTS: Record<string, string> = {
	typed: 'typed',
	probe: 'probe',
	'core-probe': 'core probe',
	'surface-thermometer': 'surface thermometer, not the core'
};

/** Where a given number comes from. */
export function sourceText(source: Source, zone: string): string {
	switch (source.kind) {
		case 'ordered':
			return 'ordered';
		case 'made':
			return 'as it was made';
		case 'formula':
			return 'from the formula';
		case 'bakery':
			return "the bakery's setting";
		case 'constant':
			if (source.source === 'base-temperature') return 'water, flour and room';
			return source.source === 'factor-rule'
				? 'water, flour, room and any pre-ferment'
				: 'a constant';
		case 'learned':
			return 'learned from the log';
		case 'assumed':
			return 'assumed, not measured';
		case 'set':
			return 'what its place is set to, not measured';
		case 'forecast':
			return `forecast from where it stands, give or take ${formatNumber(source.spreadKelvins, 1)} K; not measured`;
		case 'measured':
			return `measured ${dayText(source.epochMs, zone)} ${clockText(source.epochMs, zone)}, ${INSTRUMENTS[source.instrument] ?? source.instrument}`;
	}
}
