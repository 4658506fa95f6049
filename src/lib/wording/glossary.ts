/** A word of the trade, or of Jovet, and what it means. */
export interface GlossaryEntry {
	readonly word: string;
	readonly meaning: string;
}

/*
 * One glossary serves the screens and docs/glossary.md (`npm run glossary` writes it): a term opens its meaning where
 * it stands.
 */
const ENTRIES = {
	'acid-clock': {
		word: 'acid clock',
		meaning:
			'growth of the bacteria that sour, beside the yeast that lifts; a stage grows more of the one whose best is nearer'
	},
	autolyse: {
		word: 'autolyse',
		meaning: 'flour and water left to rest before salt and leaven go in'
	},
	'baker-s-percentage': {
		word: 'baker’s percentage',
		meaning: 'weight as a percentage of the formula’s total flour, which stands at 100'
	},
	'base-temperature': {
		word: 'base temperature',
		meaning:
			'the sum that water, flour and room have to come to for a dough: base − flour − room = water'
	},
	batch: {
		word: 'batch',
		meaning:
			'what is made, with an identity that stays: a pre-ferment, a preparation, a mix, a portion, a load'
	},
	'batch-event': {
		word: 'batch event',
		meaning:
			'an entry of the log of a batch: measured, checked, moved, judged, ended; or an earlier one struck'
	},
	biga: { word: 'biga', meaning: 'a stiff pre-ferment with a little yeast' },
	bulk: { word: 'bulk', meaning: 'the first fermentation, of the whole dough' },
	card: {
		word: 'card (of a dough)',
		meaning:
			'what a dough has done, when it is early, ready and late, and what a change from now on would do'
	},
	carry: {
		word: 'carry',
		meaning: 'what a bulk ended early leaves for the proof to make up for, as a share of it'
	},
	check: { word: 'check', meaning: 'a temperature of a dough measured again where it stands' },
	clash: {
		word: 'clash',
		meaning: 'two things that cannot both be: a plan with one does not hold'
	},
	'core-temperature': { word: 'core temperature', meaning: 'temperature in the middle of a loaf' },
	culture: {
		word: 'culture',
		meaning: 'living flour and water that seeds pre-ferments; an ingredient with a composition'
	},
	ddt: { word: 'DDT', meaning: 'desired dough temperature: what the dough should have when mixed' },
	deck: { word: 'deck', meaning: 'one shelf of a deck oven; bakes one load at a time' },
	delivery: {
		word: 'delivery',
		meaning: 'one load of a flour, with what the miller or the bakery knows of it'
	},
	divide: { word: 'divide', meaning: 'cut the dough into pieces of their scaled weight' },
	divider: { word: 'divider', meaning: 'a machine that presses a fixed number of pieces at once' },
	dose: {
		word: 'dose',
		meaning: 'fermentation done so far, in minutes at the reference temperature'
	},
	'draft-beside': {
		word: 'draft beside',
		meaning: 'a save that came second; it is compared with the first and taken up or set aside'
	},
	drop: { word: 'drop', meaning: 'a delivery with a due time' },
	'early-ready-late': {
		word: 'early, ready, late',
		meaning:
			'when a dough has fermented least, best and most for what follows; a pre-ferment is early, ripe and late'
	},
	'effective-hydration': {
		word: 'effective hydration',
		meaning: 'hydration that also counts the water inside milk, eggs, butter, honey and the like'
	},
	'expected-dough': {
		word: 'expected dough',
		meaning:
			'the temperature a dough should come out of the mixer with, by the balance of heat, give or take'
	},
	'factor-rule': {
		word: 'factor rule',
		meaning:
			'water temperature = n × DDT − (sum of the other temperatures) − friction factor; n counts what is mixed: flour, room, water, and the pre-ferment if there is one'
	},
	'final-dough': {
		word: 'final dough',
		meaning: 'what is mixed last, from the flour, the water and the preparations'
	},
	fold: { word: 'fold', meaning: 'stretch the dough over itself during bulk' },
	'fold-in-roll-in': {
		word: 'fold-in, roll-in',
		meaning: 'what is folded into the mixed dough by hand; fat between its layers'
	},
	follower: {
		word: 'follower',
		meaning: 'a revision that nobody edited: it follows what it takes from'
	},
	'friction-factor': {
		word: 'friction factor (F)',
		meaning:
			'what mixing adds, in the units of the factor rule; kept as friction work in kJ per kg of dough'
	},
	'friction-work': {
		word: 'friction work',
		meaning: 'the heat that a mix gives to a kilogram of dough, in kJ'
	},
	'heat-balance': {
		word: 'heat balance',
		meaning: 'the water temperature from the heat of all that goes into the bowl'
	},
	'held-back-water': {
		word: 'held-back water',
		meaning: 'water worked in after the dough has formed'
	},
	'hot-night': {
		word: 'hot night',
		meaning: 'a night with a room of 27 °C or more; where the schools part'
	},
	hydration: {
		word: 'hydration',
		meaning: 'water in percent of flour, all that is added as water'
	},
	'hydration-without-soakers': {
		word: 'hydration without soakers',
		meaning:
			'hydration without the water that soakers, scalds and porridges hold: closer to how the dough feels'
	},
	ice: {
		word: 'ice',
		meaning: 'stands in for part of the water where the tap is not cold enough; it melts in the mix'
	},
	inoculation: {
		word: 'inoculation',
		meaning: 'flour of the seed in percent of the pre-ferment’s flour'
	},
	judgement: {
		word: 'judgement',
		meaning: 'what was seen of a dough, weighed with its clock, and what the baker decided'
	},
	'keep-back': { word: 'keep back (starter)', meaning: 'ripe culture kept for the next feed' },
	lead: { word: 'lead', meaning: 'how much earlier than its drop a mix should be ready' },
	leg: { word: 'leg', meaning: 'one stretch of a wait in one place' },
	levain: { word: 'levain', meaning: 'a sourdough pre-ferment of wheat' },
	load: { word: 'load', meaning: 'what bakes together on one deck' },
	'lock-in-turn': {
		word: 'lock-in, turn',
		meaning: 'fat closed into a dough; a fold that multiplies its layers'
	},
	'loss-before-the-pieces': {
		word: 'loss before the pieces',
		meaning: 'dough that stays in the bowl and on the bench, as a share of what was mixed'
	},
	'loss-in-the-oven': {
		word: 'loss in the oven',
		meaning: 'what a piece loses while it bakes and cools, as a share of its scaled weight'
	},
	'loss-in-the-tub': {
		word: 'loss in the tub',
		meaning: 'what stays in the tub of a preparation, as a share of it'
	},
	lot: { word: 'lot', meaning: 'a supplier’s delivery, or our own, for tracing' },
	miss: {
		word: 'miss (of a school)',
		meaning:
			'how far a past dough would have come out from its target, had that school’s water gone in'
	},
	mix: { word: 'mix', meaning: 'one filling of the mixer' },
	'mix-by-hand': {
		word: 'mix by hand',
		meaning: 'mixed in a bowl without a motor, with a friction of its own'
	},
	'old-dough': { word: 'old dough', meaning: 'dough of the day before, as a pre-ferment' },
	over: { word: 'over', meaning: 'dough of a begun mix that no order asks for any more' },
	place: {
		word: 'place',
		meaning:
			'where ingredients, pre-ferments and doughs stand: a room, kept warm or kept cold, with a name and a temperature that is set, typed or read'
	},
	'plan-document': {
		word: 'plan document',
		meaning: 'an accepted plan as it was told, kept with the number of its shape'
	},
	'plate-of-fat': {
		word: 'plate (of fat)',
		meaning: 'fat beaten flat, chilled and tempered, that is locked into a dough'
	},
	poolish: { word: 'poolish', meaning: 'a liquid pre-ferment with a little yeast' },
	porridge: { word: 'porridge', meaning: 'grain cooked in water or milk' },
	portion: { word: 'portion', meaning: 'the part of a mix that becomes one product' },
	'pre-ferment': {
		word: 'pre-ferment',
		meaning:
			'a fermenting recipe of its own (levain, poolish, biga, sponge, sour, old dough) that a dough takes from'
	},
	'pre-fermented-flour': {
		word: 'pre-fermented flour',
		meaning: 'flour that comes in with pre-ferments or a culture, in percent of the total flour'
	},
	'pre-shape-bench-rest': {
		word: 'pre-shape, bench rest',
		meaning: 'round the pieces, and let them relax before shaping'
	},
	preparation: {
		word: 'preparation',
		meaning:
			'what is made before the dough and goes into it, on it or under it: pre-ferments, soakers, scalds, porridges, fillings, washes, baths, fat'
	},
	probe: { word: 'probe', meaning: 'a device that sends temperatures by itself' },
	proof: { word: 'proof', meaning: 'the last fermentation, of the shaped pieces' },
	pull: {
		word: 'pull',
		meaning: 'what one thing in the bowl does to a dough, in degrees of dough against its target'
	},
	rebalance: {
		word: 'rebalance',
		meaning:
			'move flour and water between a pre-ferment and the final dough while the total formula stands'
	},
	'retarder-cold-room': {
		word: 'retarder, cold room',
		meaning: 'where doughs are kept cold so that they slow down; loaded, it warms for hours'
	},
	retire: { word: 'retire', meaning: 'offer something no longer; what was made with it keeps it' },
	revision: {
		word: 'revision',
		meaning:
			'one immutable state of a formula, a preparation or a product; what was baked stays pinned to its own'
	},
	rise: {
		word: 'rise',
		meaning:
			'how far a dough comes out above the mean of what a rule counts; n times it is the factor'
	},
	scald: { word: 'scald', meaning: 'flour or grain with boiling water or milk poured onto it' },
	'scaled-weight': { word: 'scaled weight', meaning: 'what a piece weighs before it is baked' },
	'seed-ratio': { word: 'seed ratio', meaning: 'seed : flour : water of a pre-ferment by mass' },
	'self-heating': {
		word: 'self-heating',
		meaning: 'the heat of a fermenting mass, which a tub keeps and a shaped piece gives away'
	},
	sheet: {
		word: 'sheet',
		meaning: 'dough rolled out to one thickness, that pieces are cut from'
	},
	silent: { word: 'silent', meaning: 'a probe that missed its last reports' },
	soaker: { word: 'soaker', meaning: 'grains or seeds soaked before they go into a dough' },
	'sour-staged': { word: 'sour, staged', meaning: 'a rye pre-ferment made in several stages' },
	spares: {
		word: 'spares and breakage',
		meaning: 'pieces made beyond what is ordered, for what breaks or is a second'
	},
	sponge: { word: 'sponge', meaning: 'a pre-ferment with yeast, of medium softness' },
	spread: {
		word: 'spread',
		meaning: 'how far a forecast may be off: two times in three it comes out within it'
	},
	story: {
		word: 'story (of a dough)',
		meaning: 'its path of places and temperatures from the mixer to a moment'
	},
	'time-constant': {
		word: 'time constant',
		meaning: 'how fast something takes the temperature of its place: after one, 63 % of the way'
	},
	'to-make': {
		word: 'to make (of a preparation)',
		meaning: 'what must be made so that enough is left: (needed + kept back) / (1 − loss)'
	},
	trim: {
		word: 'trim',
		meaning:
			'what is cut off a sheet beside its pieces: its edges, and the halves at the ends of a row of triangles'
	},
	'way-out': { word: 'way out', meaning: 'what would reach a target that the water cannot' },
	wholegrain: { word: 'wholegrain', meaning: 'wholegrain flour in percent of the total flour' },
	'yeast-as-fresh': {
		word: 'yeast as fresh',
		meaning: 'all yeast counted as fresh: dry yeast is stronger and counts for more'
	}
} as const satisfies Record<string, GlossaryEntry>;

export type GlossaryKey = keyof typeof ENTRIES;

/** Every word with its meaning, in alphabetical order of the words. */
export const GLOSSARY: Readonly<Record<GlossaryKey, GlossaryEntry>> = ENTRIES;
