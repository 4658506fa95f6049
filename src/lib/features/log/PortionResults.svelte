<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BakeDate } from '../../core/time/index.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import {
		FAULTS,
		SCORED,
		bakedOf,
		type CountedPortion,
		type Fault,
		type Scored
	} from '../../core/results/index.ts';
	import type { Evidence } from '../../core/tracing/index.ts';
	import { formatMass, formatNumber } from '../../core/units/index.ts';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import CountPieces from '../../fields/CountPieces.svelte';
	import DrawnLook from '../../fields/DrawnLook.svelte';
	import MassField from '../../fields/MassField.svelte';
	import NumberField from '../../fields/NumberField.svelte';
	import TextField from '../../fields/TextField.svelte';
	import { countedText, FAULT_TEXT, SCORED_TEXT, toldText } from '../../wording/result-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import FaultCauses from './FaultCauses.svelte';

	interface Props {
		date: BakeDate;
		name: string;
		counted: CountedPortion;
		scaledGrams: number;
		results: ToldResults;
		evidence: Evidence;
		dropName: (dropId: string) => string;
	}
	let { date, name, counted, scaledGrams, results, evidence, dropName }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const own = $derived(
		results.all.filter(
			({ portion }) =>
				portion.formulaId === counted.portion.formulaId &&
				portion.ordinal === counted.portion.ordinal &&
				portion.productId === counted.portion.productId
		)
	);
	/** Those that wait here stand as they were taken; the others are asked for. */
	const pictures = $derived(
		own.flatMap(({ id, atMs, told }) =>
			told.kind === 'picture'
				? [
						{
							id,
							atMs,
							src:
								told.jpegBase64 === null
									? resolve(`/bake/${date}/log/picture/${id}`)
									: `data:image/jpeg;base64,${told.jpegBase64}`
						}
					]
				: []
		)
	);
	const faults = $derived([
		...new Set(own.flatMap(({ told }) => (told.kind === 'fault' ? [told.fault] : [])))
	]);
	const baked = $derived(bakedOf(own, scaledGrams));
	const MOST_BAKED_GRAMS = 1_000_000;
	/** What can be told stands there where somebody looks. */
	let open = $state(false);

	let scores: Record<Scored, number | null> = $state({ crust: null, crumb: null, taste: null });
	let note = $state('');
	let fault: Fault | '' = $state('');
	let pieces: number | null = $state(1);
	let bakedGrams: number | null = $state(null);
	const isScored = $derived(SCORED.some((one) => scores[one] !== null));

	// What is told leaves its field at once, so that the next can be put there while it is on its way; what was not taken
	// comes back, unless something else stands there by then.
	async function score() {
		const told = { kind: 'scored', scores: { ...scores }, note } as const;
		scores = { crust: null, crumb: null, taste: null };
		note = '';
		if (await results.tell(counted.portion, told, `${name}: scored`)) return;
		for (const one of SCORED) scores[one] ??= told.scores[one];
		note ||= told.note;
	}
	async function tellFault() {
		if (fault === '') return;
		const told = { kind: 'fault', fault, note: '' } as const;
		fault = '';
		if (await results.tell(counted.portion, told, `${name}: ${FAULT_TEXT[told.fault]}`)) return;
		fault ||= told.fault;
	}
	async function weigh() {
		if (pieces === null || bakedGrams === null) return;
		const told = { kind: 'weighed', pieces, bakedGrams } as const;
		bakedGrams = null;
		if (await results.tell(counted.portion, told, `${name}: weighed baked`)) return;
		bakedGrams ??= told.bakedGrams;
	}
</script>

<details class="portion" data-portion={name} bind:open>
	<summary>
		<b>{name}</b>
		<span data-portion-count>{countedText(counted)}</span>
		{#if baked}<span
				>{formatMass({ grams: baked.grams }, 0, units)} baked, lost {formatNumber(
					baked.lossShare * 100,
					1
				)} %</span
			>{/if}
		{#if faults.length > 0}<span>{faults.map((one) => FAULT_TEXT[one]).join(', ')}</span>{/if}
	</summary>
	{#each faults as one (one)}<FaultCauses fault={one} {evidence} />{/each}
	{#if pictures.length > 0}
		<div class="pictures">
			{#each pictures as { id, atMs, src } (id)}
				<img {src} alt="{name}, {clockText(atMs, zone)}" loading="lazy" data-bread-picture />
			{/each}
		</div>
	{/if}
	{#if own.length > 0}
		<ul>
			{#each own as entry (entry.id)}
				{@const text = toldText(entry.told, dropName, units)}
				<li>
					{clockText(entry.atMs, zone)}
					{text}, {entry.by}
					<button class="action-small" onclick={() => void results.takeBack(entry.id, text)}
						>It is not so</button
					>
				</li>
			{/each}
		</ul>
	{/if}
	{#if open}<div class="forms">
			<div>
				<CountPieces {name} {counted} most={counted.left} {results} />
				<DrawnLook {name} portion={counted.portion} {results} />
				<!-- Its room stands before it does: nothing moves under a hand. -->
				<div class="picture">
					{#await import('./PictureOfBread.svelte') then { default: PictureOfBread }}
						<PictureOfBread {name} portion={counted.portion} {results} />
					{/await}
				</div>
			</div>
			<div data-score>
				{#each SCORED as one (one)}
					<div class="score" role="group" aria-label={SCORED_TEXT[one]}>
						<span>{SCORED_TEXT[one]}</span>
						{#each [1, 2, 3, 4, 5] as points (points)}
							<button
								class={scores[one] === points ? 'action' : 'action-lesser'}
								aria-pressed={scores[one] === points}
								aria-label="{SCORED_TEXT[one]} {points} of 5"
								onclick={() => (scores[one] = scores[one] === points ? null : points)}
								>{points}</button
							>
						{/each}
					</div>
				{/each}
				<TextField
					label="What there is to say"
					value={note}
					onSet={(text: string) => (note = text)}
				/>
				<button class="action-lesser" disabled={!isScored} onclick={() => void score()}
					>Keep scores</button
				>
			</div>
			<div>
				<ChoiceField
					label="Fault"
					options={FAULTS.map((one) => ({ value: one, label: FAULT_TEXT[one] }))}
					value={fault}
					onSet={(value: string) => (fault = value as Fault)}
				/>
				<button class="action-lesser" disabled={fault === ''} onclick={() => void tellFault()}
					>Tell the fault</button
				>
				<NumberField
					label="Pieces weighed together"
					value={pieces}
					decimals={0}
					whole
					least={1}
					most={999}
					onSet={(value: number | null) => (pieces = value)}
				/>
				<MassField
					label="They weigh, baked"
					grams={bakedGrams}
					fine
					least={1}
					most={MOST_BAKED_GRAMS}
					optional
					onSet={(grams: number | null) => (bakedGrams = grams)}
				/>
				<button class="action-lesser" disabled={bakedGrams === null} onclick={() => void weigh()}
					>Keep the weight</button
				>
			</div>
		</div>{/if}
</details>

<style>
	.portion {
		border-bottom: 1px solid var(--line);
	}
	summary {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 20px;
		min-height: 48px;
		padding: 10px 12px;
		cursor: pointer;
	}
	.portion > :not(summary) {
		margin: 0 12px 12px;
	}
	.picture {
		min-height: 84px;
		padding-top: 12px;
	}
	.pictures {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.pictures img {
		max-width: 100%;
		max-height: 320px;
		border: 1px solid var(--line);
	}
	.forms {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(300px, 100%), 1fr));
		gap: 12px 32px;
		align-items: start;
	}
	.score {
		display: grid;
		grid-template-columns: 1fr repeat(5, 48px);
		gap: 4px;
		align-items: center;
		padding-bottom: 4px;
	}
	.score button {
		min-height: 48px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 4px 12px;
	}
	@media print {
		.forms,
		li button {
			display: none;
		}
	}
</style>
