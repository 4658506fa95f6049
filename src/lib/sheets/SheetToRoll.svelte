<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import { sheetWork, type SheetAsked } from '../core/sheeting/index.ts';
	import { formatMass } from '../core/units/index.ts';
	import { capital } from '../wording/capital.ts';
	import { layersText } from '../wording/layers-text.ts';
	import {
		cutText,
		flatText,
		leftText,
		lengthText,
		rollingText,
		sheetFailureText,
		sheetSentence,
		tooWarmText
	} from '../wording/sheeting-text.ts';
	import { TURN_TEXT } from '../wording/step-text.ts';
	import SheetDrawing from './SheetDrawing.svelte';
	import TurnDrawing from './TurnDrawing.svelte';

	interface Props {
		asked: SheetAsked;
	}
	let { asked }: Props = $props();
	const { units } = useRoom().bakery;
	const mass = (grams: number) => formatMass({ grams }, 0, units);

	const found = $derived(sheetWork(asked));
	const work = $derived(found.ok ? found.value : null);
	const layers = $derived(work?.turns?.at(-1)?.layers ?? null);
	const scaleCm = $derived(
		Math.max(...(work?.turns ?? []).map(({ rolled }) => rolled.lengthCm), 1)
	);
	const rolling = $derived(asked.rolledIn ? rollingText(asked.rolledIn, units) : null);
</script>

{#if !work}
	<p role="alert">
		<span class="act-now px-2">Not possible</span>
		{found.ok ? '' : sheetFailureText(found.error)}
	</p>
{:else}
	{@const { layout } = work}
	<p class="sentence" data-sheet-sentence>{sheetSentence(layout)}</p>
	<p data-sheet-left>
		{capital(cutText(asked.sheet.cut))}, {lengthText(asked.sheet.edgeCm)} cm off all around.
		{leftText(layout, asked.sheet.trimGoes, units)}
	</p>
	{#if asked.proofTooWarmCelsius !== null && asked.rolledIn?.rolling}
		<p class="caution" data-too-warm>
			{tooWarmText(asked.proofTooWarmCelsius, asked.rolledIn.rolling.meltsAtCelsius, units)}
		</p>
	{/if}
	<SheetDrawing
		sheet={asked.sheet}
		{layout}
		label="The sheet with its {layout.each} pieces, drawn to scale"
	/>
	<table>
		<thead>
			<tr
				><th scope="col">On each sheet</th><th scope="col">Thick</th><th scope="col">Weighs</th></tr
			>
		</thead>
		<tbody>
			{#each work.layers as layer, at (at)}
				<tr data-layer={layer.name}>
					<td>{layer.name}</td>
					<td>{lengthText(layer.thicknessMm)} mm</td>
					<td>{mass(layer.perSheet.grams)}</td>
				</tr>
			{/each}
			{#each work.fillings as filling, at (at)}
				<tr data-filling={filling.name}>
					<td>{filling.name}</td>
					<td></td>
					<td>{mass(filling.perSheet.grams)}</td>
				</tr>
			{/each}
			<tr class="sum" data-piece>
				<td>One piece</td>
				<td>{lengthText(layout.size.thicknessMm)} mm</td>
				<td>{mass(layout.piece.grams)}</td>
			</tr>
		</tbody>
	</table>
	{#if asked.sheet.gramsPerCubicCm === null}
		<p class="note">
			The thickness is by dough that weighs 1.1 g to a cubic centimetre, which is assumed: weigh a
			piece.
		</p>
	{/if}
	{#if work.turns}
		<h3>Turns of one block</h3>
		<p data-block>
			{mass(work.block.dough.grams)} of dough
			{#if work.block.fat.grams > 0}<b
					>and {mass(work.block.fat.grams)} of {asked.rolledIn?.names.join(' and ')}</b
				>{/if} for each sheet, kept {lengthText(layout.size.widthCm)} cm wide.
			{#if layers}{capital(layersText(layers))}.{/if}
		</p>
		{#if rolling}<p data-rolling>{rolling}</p>{/if}
		<ol class="turns">
			{#each work.turns as turn, at (at)}
				<li data-turn={turn.turn}>
					<p>
						<b>{capital(TURN_TEXT[turn.turn])}:</b> roll to {flatText(turn.rolled)}{turn.isUsual
							? ' (as is usual: nobody said)'
							: ''}.
						{#if turn.plate}Plate of fat {flatText(turn.plate)}.{/if}
						Folded {flatText(turn.folded)}.
					</p>
					<TurnDrawing
						size={turn}
						{scaleCm}
						label="The dough for turn {at + 1}, drawn to scale, its folds broken lines"
					/>
				</li>
			{/each}
		</ol>
		{#if work.beyond}
			<p class="caution" data-beyond>
				{capital(TURN_TEXT[work.beyond.turn])} is {lengthText(work.beyond.rolled.lengthCm)} cm long, and
				a sheet is {lengthText(asked.sheet.mostLengthCm)} cm at most. Roll it thicker for that turn, or
				make more, smaller sheets.
			</p>
		{/if}
	{:else if asked.turns.length > 0}
		<p class="caution" data-no-fat>
			Its steps lock fat in, and none of its formula is rolled in. Set when the fat goes in to
			“rolled in”.
		</p>
	{/if}
{/if}

<style>
	.sentence {
		font-size: 20px;
		font-weight: 700;
		line-height: 1.25;
	}
	.caution {
		margin: 6px 0;
		padding: 6px 10px;
		border: 2px solid var(--ink);
		font-weight: 700;
	}
	.note {
		color: var(--ink-2);
	}
	table {
		margin: 8px 0;
		border-collapse: collapse;
	}
	th,
	td {
		text-align: left;
		padding: 3px 20px 3px 0;
		border-bottom: 1px solid var(--line);
	}
	th + th,
	td + td {
		text-align: right;
	}
	.sum {
		font-weight: 700;
	}
	.turns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(190px, 100%), 1fr));
		gap: 10px 20px;
		margin-top: 6px;
	}
	li {
		break-inside: avoid;
	}
	li p {
		margin-bottom: 4px;
	}
	@media print {
		.sentence {
			font-size: 15pt;
		}
	}
</style>
