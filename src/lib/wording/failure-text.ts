import type { UnplannedChain } from '../core/planning/index.ts';
import type {
	EditFailure,
	FigureFailure,
	FormulaFailure,
	RebalanceFailure,
	PlaceFailure,
	ScaleFailure,
	SplitFailure
} from '../core/formula/index.ts';
import type { UnmadeDough } from '../core/production/index.ts';
import {
	formatMass,
	formatNumber,
	formatTemperature,
	type ParseFailure
} from '../core/units/index.ts';

/** Why what was typed cannot be used, and what to type instead. */
export function parseFailureText(failure: ParseFailure): string {
	switch (failure.kind) {
		case 'empty':
			return 'Nothing is typed here. Type a number.';
		case 'not-a-number':
			return `"${failure.text.trim()}" is not a number. Type digits only.`;
		case 'ambiguous':
			return `"${failure.text.trim()}" may be ${failure.thousands} or ${failure.decimals}: type the one that is meant.`;
		case 'no-density':
			return `"${failure.text.trim()}" is a volume, and nobody weighed a litre of it: write its density down with the ingredient, or type its weight.`;
		case 'not-whole':
			return `"${failure.text.trim()}" is not a whole number. Type whole pieces.`;
		case 'below':
			return `Below ${formatNumber(failure.least, 0)} ${failure.unit} is not possible. Type ${formatNumber(failure.least, 0)} or more.`;
		case 'above':
			return `Above ${formatNumber(failure.most, 0)} ${failure.unit} is more than this takes. Type ${formatNumber(failure.most, 0)} or less.`;
	}
}

/** Why a formula cannot be resolved. */
export function formulaFailureText(reason: FormulaFailure): string {
	switch (reason.kind) {
		case 'no-lines':
			return `${reason.where} has no lines`;
		case 'unknown-ingredient':
			return `a line of ${reason.where} names an ingredient that is not in the book`;
		case 'unknown-preparation':
			return `a line of ${reason.where} names a preparation that is not in the book`;
		case 'circular':
			return `its preparations take from each other in a circle: ${reason.path.join(', ')}`;
		case 'too-deep':
			return `${reason.where} stands more than ${reason.most} preparations deep; take some of them together`;
		case 'too-many-stages':
			return `with ${reason.where} it has more than ${reason.most} preparations, each counted wherever it stands; take some of them together`;
		case 'not-positive':
			return `${reason.line} in ${reason.where} stands at ${formatNumber(reason.amount, 1)}; it has to be above 0`;
		case 'flour-not-100':
			return `the flour of ${reason.where} adds up to ${formatNumber(reason.flourPercent, 2)} %, not to 100`;
		case 'caustic-outside-bath':
			return `${reason.line} in ${reason.where} is caustic and has its place in a bath alone`;
		case 'caustic-too-strong':
			return `${reason.where} would be ${formatNumber(reason.share * 100, 1)} % caustic; the site allows ${formatNumber(reason.most * 100, 1)} % at the most`;
	}
}

/** Why a dough cannot be made as its formula stands. */
export function unmadeText(unmade: UnmadeDough): string {
	const { reason } = unmade;
	switch (reason.kind) {
		case 'no-formula':
			return 'its formula is not in the book';
		case 'no-scales':
			return 'the bakery has no scale to weigh it on';
		case 'beyond-the-house':
			return `its orders ask for ${reason.mixes} mixes; one date takes ${reason.most} of a dough, and ${reason.mostOfDate} in all. Look at the pieces ordered`;
		case 'piece-exceeds-mixer':
			return `one piece of ${reason.product} is more than the mixer takes (${formatMass(reason.most, 0)})`;
		default:
			return formulaFailureText(reason);
	}
}

/** Why a chain of steps cannot be planned. */
export function unplannedText({ reason }: UnplannedChain): string {
	switch (reason.kind) {
		case 'proves-where-it-bakes':
			return `it stands in the ${reason.oven}, which is heated for it: give its proof a last place outside, or bake it in another oven`;
		case 'no-deck':
			return 'no deck of the ovens takes a piece of it: give it a ground on its page, or a count, or enter an oven';
		case 'no-steps':
			return 'it has no steps yet';
		case 'unknown-product':
			return 'one of its products is not in the book';
		case 'no-legs':
			return `step ${reason.step + 1} waits nowhere`;
		case 'open-leg-without-clock':
			return `step ${reason.step + 1} has neither minutes nor a clock to wait for`;
		case 'open-leg-not-last':
			return `in step ${reason.step + 1} only the last place may last until it is ready`;
		case 'never-ripe':
			return `step ${reason.step + 1} is never ready at ${formatTemperature({ celsius: reason.ambientCelsius })}: it reaches ${formatNumber(reason.dose, 0)} of ${formatNumber(reason.ripe, 0)} min`;
	}
}

/** Why a number of the formula sheet cannot be set. */
export function editFailureText(failure: EditFailure | RebalanceFailure): string {
	switch (failure.kind) {
		case 'unknown-stage':
			return 'This stage is no longer in the formula. Reload the page.';
		case 'out-of-range':
			return `${formatNumber(failure.percent, 1)} % is outside what this takes.`;
		case 'stage-empty':
			return `${failure.stage} would be left with nothing in it.`;
		case 'no-flour-to-balance':
			return 'There is no other flour in the final dough to give way. Type a weight instead, or add another flour first.';
		case 'final-line-negative':
			return `${failure.line} in the final dough would be less than nothing: ${formatNumber(failure.percent, 1)} %.`;
		case 'build-line-negative':
			return `${failure.line} in the pre-ferment would be less than nothing: ${formatNumber(failure.percent, 1)} %.`;
		case 'in-several-places':
			return `${failure.stage} stands in several places of this formula. Change it on its own page, or make one of them a copy.`;
		case 'no-flour-in-build':
			return `${failure.build} has no flour.`;
		case 'no-seed-in-build':
			return `${failure.build} has no culture and no pre-ferment before it to seed it.`;
		default:
			return `The formula as it stands cannot be made: ${formulaFailureText(failure)}.`;
	}
}

/** Why a recipe of the book cannot go into the dough, or out of it. */
export function placeFailureText(failure: PlaceFailure): string {
	switch (failure.kind) {
		case 'out-of-range':
			return 'Type how much of it goes in, above 0 % of the flour.';
		case 'already-in-dough':
			return `${failure.name} is in the dough already. Change its amounts in the sheet.`;
		case 'no-flour-to-balance':
		case 'final-line-negative':
			return editFailureText(failure);
		default:
			return `It cannot be made: ${formulaFailureText(failure)}.`;
	}
}

/** Why a formula cannot be scaled from what was typed. */
export function scaleFailureText(failure: ScaleFailure): string {
	switch (failure.kind) {
		case 'nothing-to-scale':
			return 'That leaves nothing for the dough. Type more.';
		case 'not-in-formula':
			return 'That is not in this formula.';
	}
}

/** Why a figure cannot be brought to what was typed. */
export function figureFailureText(failure: FigureFailure): string {
	return failure.kind === 'line-negative'
		? `That leaves less than no ${failure.line.toLowerCase()} in the final dough: its pre-ferments bring more already.`
		: 'Nothing in the final dough alone brings that figure there. Change its lines.';
}

/** Why no pre-ferment can be split off like that. */
export function splitFailureText(failure: SplitFailure): string {
	switch (failure.kind) {
		case 'unknown-stage':
			return 'This stage is no longer in the formula. Reload the page.';
		case 'out-of-range':
			return 'Type how much of the total flour goes into the pre-ferment, above 0 and below 100 %.';
		case 'not-enough':
			return `${failure.stage} has ${formatNumber(failure.there, 1)} % of ${failure.what} in its largest line; the pre-ferment needs less than that.`;
	}
}
