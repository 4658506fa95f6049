<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import type { WeighUpLine } from '../core/production/index.ts';
	import { decimalsOfDivision, formatMass } from '../core/units/index.ts';
	import { laterText } from '../wording/addition-text.ts';
	import { dateText } from '../wording/time-text.ts';
	import TubLabel from './TubLabel.svelte';
	import type { WeighUpCard } from './weigh-up-card.ts';

	interface Props {
		cards: readonly WeighUpCard[];
		date: string;
	}
	let { cards, date }: Props = $props();
	const { bakery } = useRoom();
	const { units } = bakery;

	const weight = ({ weighing }: WeighUpLine) =>
		formatMass(weighing.weighed, decimalsOfDivision(weighing.scale.division), units);
</script>

<div class="cards" aria-hidden="true" data-weigh-up-cards>
	{#each cards as card (card.key)}
		<article>
			<header>
				<p class="title">
					{card.name}{#if card.mix && card.mix.count > 1}, mix {card.mix.ordinal} of {card.mix
							.count}{/if}
				</p>
				<p>
					{bakery.name} · {dateText(date)} · {formatMass({ grams: card.grams }, 0, units)} · {card.makes}
				</p>
			</header>
			<table>
				<tbody>
					{#each card.lines as line, index (index)}
						<tr>
							<td class="box"><span></span></td>
							<td>
								{line.name}
								{#if line.addition !== 'start'}<small>· {laterText(line.addition)}</small>{/if}
								<small class="scale">{line.weighing.scale.name}</small>
							</td>
							<td class="weight">{weight(line)}</td>
						</tr>
					{/each}
				</tbody>
			</table>
			<p class="caution">
				Raw flour and egg are not food yet; keep flour dust down; load the mixer only when it stands
				still with its guard closed. The site's own rules come first.
			</p>
			{#if card.caution}<p class="caution"><b>{card.caution}</b></p>{/if}
			<TubLabel
				name={card.name}
				{date}
				allergens={card.allergens}
				caution={card.caution}
				mix={card.mix}
			/>
		</article>
	{/each}
</div>

<style>
	.cards {
		display: none;
	}
	@media print {
		.cards {
			display: block;
		}
		article {
			break-after: page;
		}
		article:last-child {
			break-after: auto;
		}
		header {
			border-bottom: 2px solid var(--ink);
			padding-bottom: 2mm;
		}
		.title {
			font-size: 24pt;
			font-weight: 800;
			line-height: 1.1;
		}
		table {
			width: 100%;
			border-collapse: collapse;
			font-size: 17pt;
		}
		td {
			border-bottom: 1px solid var(--line);
			padding: 2.2mm 1mm;
		}
		.box span {
			display: block;
			width: 5mm;
			height: 5mm;
			border: 2px solid var(--ink);
		}
		.box {
			width: 9mm;
		}
		small {
			font-size: 11pt;
		}
		.scale {
			color: var(--ink-2);
			padding-left: 2mm;
		}
		.weight {
			text-align: right;
			font-weight: 800;
			white-space: nowrap;
		}
		.caution {
			font-size: 9pt;
			margin-top: 3mm;
		}
	}
</style>
