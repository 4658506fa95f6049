import type { WaterView } from '../../contracts/water-views.ts';
import { probeDoubt } from '../../wording/probe-text.ts';
import { isMissed, usesIce } from '../../wording/order-text.ts';

/** How the water of the night stands, in one sentence. */
export function waterSentence(view: WaterView): string {
	const { mixes } = view;
	if (mixes.length === 0)
		return 'There is no mix to find water for: nothing is ordered for this date.';
	const toCome = mixes.filter((mix) => !mix.measured);
	if (toCome.length === 0)
		return mixes.length === 1
			? 'The one mix of this date is mixed and measured.'
			: `All ${mixes.length} mixes are mixed and measured.`;
	const orders = toCome.flatMap((mix) => (mix.water ? [mix.water.order] : []));
	const iced = orders.filter(usesIce).length;
	const missed = orders.filter(isMissed).length;
	const of =
		toCome.length === mixes.length ? `${mixes.length} mixes` : `${toCome.length} mixes to come`;
	const ice =
		iced === 0
			? `None of ${of} needs ice`
			: `${iced} of ${of} ${iced === 1 ? 'needs' : 'need'} ice`;
	const reach =
		missed === 0
			? 'every target can be reached'
			: missed === 1
				? 'one cannot be reached'
				: `${missed} cannot be reached`;
	return `${ice}; ${reach}.`;
}

/** How much of that is known: what is measured, what assumed. */
export function waterNote(view: WaterView, nowMs: number): string {
	const felt = view.inputs.filter((input) => input.isFelt);
	const unread = felt.filter((input) => input.reading === null);
	const assumed = unread.filter((input) => input.unread.source.kind === 'assumed').length;
	const doubted = felt.filter(
		(input) =>
			input.reading?.instrument === 'probe' &&
			input.probe &&
			probeDoubt(input.probe, nowMs) !== null
	).length;
	const known =
		unread.length === 0
			? 'All temperatures are measured.'
			: assumed === 0
				? 'No temperature is assumed: those not measured are set, or forecast from what stands where.'
				: `${assumed} of ${felt.length} temperatures are assumed: measure and type them.`;
	return doubted === 0
		? known
		: `${known} ${doubted === 1 ? 'One probe is' : `${doubted} probes are`} in doubt.`;
}
