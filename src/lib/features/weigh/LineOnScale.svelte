<script lang="ts">
	import { untrack } from 'svelte';
	import type { BenchScale } from '../../client/bench-scale.svelte.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
	import type { WeighingLineView, WeighUpView } from '../../contracts/weighing-views.ts';
	import { deviationOf, lineState, type LineState } from '../../core/weighing/index.ts';
	import { formatMass, formatNumber } from '../../core/units/index.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import { laterText } from '../../wording/addition-text.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import OnScale from './OnScale.svelte';
	import { deviationText } from './deviation-text.ts';
	import { readWeight, typedUnit } from './typed-weight.ts';

	interface Props {
		line: WeighingLineView;
		state: LineState;
		view: WeighUpView;
		busy: boolean;
		scale: BenchScale;
		onWeigh: (
			grams: number,
			how: { closeEnough: boolean; how: 'typed' | 'scale'; lot: string }
		) => void;
	}
	let { line, state: reached, view, busy, scale, onWeigh: onWeighed }: Props = $props();
	const { units } = useRoom().bakery;
	/** Asked once a delivery: what was told of it last stands here. */
	let lot = $state(untrack(() => line.lot));
	const hasLot = $derived(line.kind !== 'water' && line.kind !== 'preparation');
	const onWeigh = (grams: number, how: { closeEnough: boolean; how: 'typed' | 'scale' }) =>
		onWeighed(grams, { ...how, lot: hasLot ? lot.trim() : '' });
	let typed = $state('');
	let problem = $state('');
	/** A weight that lies beside what is wanted, until it is weighed again or left so. */
	let doubted: number | null = $state(null);
	/** How the doubted weight came to be known. */
	let how: 'typed' | 'scale' = $state('typed');
	/** The scale was not put back to nothing: it shows all that is in the bowl. */
	let countsOn = $state(false);

	const decimals = $derived(line.divisionGrams < 1 ? 1 : 0);
	const mass = (grams: number) => formatMass({ grams }, decimals, units);
	const unit = $derived(typedUnit(line.wantedGrams, units));
	const inBowlBefore = $derived(
		view.lines.reduce(
			(total, one) => total + lineState(one, one.weighed).inBowlGrams,
			view.byFeel.reduce((total, { grams }) => total + grams, 0)
		)
	);
	const left = $derived(Math.max(0, reached.leftGrams));
	const wanted = $derived(
		mass(countsOn ? inBowlBefore + reached.leftGrams : reached.state === 'over' ? 0 : left)
	);
	const figure = $derived(wanted.slice(0, wanted.lastIndexOf(' ')));
	const figureUnit = $derived(wanted.slice(wanted.lastIndexOf(' ') + 1));
	/** For a jug: what has a density is told as a volume, too. */
	const volume = $derived(
		line.density && line.kind !== 'water' && !countsOn && left > 0
			? `; that is ${formatNumber(left / (1000 * line.density.kilogramsPerLitre), 2)} l`
			: ''
	);
	const looked = $derived(doubted === null ? reached.inBowlGrams : reached.inBowlGrams + doubted);
	const deviation = $derived(
		doubted !== null || reached.state === 'over' ? deviationOf(line, looked, view) : null
	);

	function take(event?: SubmitEvent) {
		event?.preventDefault();
		const read = readWeight(typed, unit, MOST_BATCH_GRAMS, line.density);
		if (!read.ok) {
			problem = parseFailureText(read.error);
			return;
		}
		const grams = countsOn ? read.value - inBowlBefore : read.value;
		if (grams <= 0) {
			problem = `That is less than is in the bowl already, ${mass(inBowlBefore)}.`;
			return;
		}
		problem = '';
		weigh(grams, 'typed');
	}
	/** A weight within what is tolerated goes in; beside it, it is looked at first. */
	function weigh(grams: number, by: 'typed' | 'scale') {
		const after = lineState(line, [...line.weighed, { grams, closeEnough: false }]);
		if (after.state === 'over' || (after.state === 'part' && line.goes === 1)) {
			doubted = grams;
			how = by;
		} else onWeigh(grams, { closeEnough: false, how: by });
	}
	function leave() {
		const grams = doubted;
		if (grams !== null) onWeigh(grams, { closeEnough: true, how });
	}
</script>

<p class="text-title font-bold" data-now={line.name}>
	{line.name}
	{#if laterText(line.addition)}<span class="text-lead font-normal">{laterText(line.addition)}</span
		>{/if}
</p>
<p class="figure" data-wanted>{figure}<span class="text-title">&nbsp;{figureUnit}</span></p>
<p class="text-lead">
	{#if countsOn}on the scale in all{:else if reached.inBowlGrams > 0}still, {mass(
			reached.inBowlGrams
		)} of {mass(line.wantedGrams)} are in{:else}give or take {mass(reached.toleranceGrams)}{/if}, on
	the {line.scale}{line.goes > 1 && !countsOn ? `, in ${line.goes} goes` : ''}{volume}.
</p>
{#if hasLot}
	<label class="mt-1 flex items-center gap-2 text-note">
		Lot
		<input
			class="field w-44"
			type="text"
			maxlength="100"
			autocomplete="off"
			aria-label="{line.name}, lot"
			placeholder="as the sack says it"
			bind:value={lot}
		/>
	</label>
{/if}

{#if deviation}
	<div class="mt-3 border-2 border-ink p-3" role="alert" data-deviation>
		<p><span class="act-now px-2">{deviation.times > 1 ? 'Too much' : 'Too little'}</span></p>
		<p class="mt-1">{deviationText(line.name, deviation)}</p>
		{#if deviation.mend.kind === 'add'}
			<p class="mt-1">To mend it: add <b>{mass(deviation.mend.grams)}</b>.</p>
		{:else}
			<p class="mt-1" data-mend>
				Take it out while it lies dry. If it cannot be taken out, all the others larger mend it:
				{deviation.mend.others
					.map(
						({ name, grams }) => `${name} ${formatMass({ grams }, grams < 100 ? 1 : 0, units)} more`
					)
					.join(', ')}; {formatMass({ grams: deviation.mend.moreGrams }, 0, units)} more in all{deviation
					.mend.fits
					? '.'
					: `, which is more than the mixer takes (${formatMass({ grams: view.mostGrams ?? 0 }, 0, units)}).`}
			</p>
		{/if}
		<div class="mt-2 flex flex-wrap gap-3">
			{#if doubted !== null}
				<button
					type="button"
					class="action"
					onclick={() => {
						doubted = null;
						typed = '';
					}}>Weigh it again</button
				>
				{#if deviation.times < 1}
					<button
						type="button"
						class="action-lesser"
						disabled={busy}
						onclick={() => onWeigh(doubted ?? 0, { closeEnough: false, how })}
						>It is in, more comes</button
					>
				{/if}
				<button type="button" class="action-lesser" disabled={busy} onclick={leave}
					>Close enough: leave it so</button
				>
			{/if}
		</div>
	</div>
{/if}

{#if doubted === null && scale.chosen}
	<OnScale
		{scale}
		leftGrams={reached.leftGrams}
		{decimals}
		{busy}
		onTake={(grams: number) => weigh(grams, 'scale')}
	/>
{/if}
{#if doubted === null}
	<form class="mt-4 flex flex-wrap items-start gap-5" onsubmit={take}>
		<div class="grid gap-3">
			<button
				type="button"
				class="{scale.net ? 'action-lesser' : 'action'} one"
				disabled={busy || reached.leftGrams <= 0}
				onclick={() => onWeigh(reached.leftGrams, { closeEnough: false, how: 'typed' })}
				>{mass(left)} is in</button
			>
			<label>
				<span class="block"
					>or what the scale shows{line.density ? ', or a volume as 1.5 l' : ''}</span
				>
				<input
					class="field typed"
					type="text"
					inputmode="decimal"
					autocomplete="off"
					aria-label="{line.name}, what the scale shows"
					bind:value={typed}
				/>
				<b>{unit.name}</b>
			</label>
			<button class="action-lesser" disabled={busy}>Write it down</button>
			<label class="flex min-h-11 items-center gap-2">
				<input type="checkbox" bind:checked={countsOn} />
				not tared: it shows all that is in the bowl
			</label>
			{#if countsOn}<p class="text-note">
					{formatNumber(inBowlBefore / unit.grams, unit.name === 'g' ? 0 : 2)}
					{unit.name} are in already.
				</p>{/if}
		</div>
		<NumberPad
			value={typed}
			label="{line.name}, digits"
			onChange={(value: string) => (typed = value)}
		/>
	</form>
	{#if problem}<p class="mt-2" role="alert">
			<span class="act-now px-2">Check</span>
			{problem}
		</p>{/if}
{/if}

<style>
	.figure {
		font-size: 84px;
		font-weight: 700;
		line-height: 1.05;
		font-variant-numeric: tabular-nums;
	}
	.one {
		min-height: 64px;
		font-size: 22px;
	}
	.typed {
		width: 150px;
		font-size: 26px;
		text-align: right;
	}
</style>
