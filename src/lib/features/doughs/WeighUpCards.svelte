<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { DoughsView } from '../../contracts/views.ts';
	import { allergensOf } from '../../core/formula/index.ts';
	import type { WeighUpLine } from '../../core/production/index.ts';
	import { decimalsOfDivision, formatMass } from '../../core/units/index.ts';
	import { dateText } from '../../wording/time-text.ts';
	import TubLabel from './TubLabel.svelte';

	interface Props {
		view: DoughsView;
	}
	let { view }: Props = $props();
	const { bakery } = useRoom();
	const { units } = bakery;

	interface Card {
		readonly key: string;
		readonly name: string;
		readonly mix: { readonly ordinal: number; readonly count: number } | null;
		readonly grams: number;
		readonly makes: string;
		readonly lines: readonly WeighUpLine[];
		readonly allergens: readonly string[];
	}
	const ADDITIONS = { start: '', 'held-back': 'held back', late: 'late' } as const;

	/** One card for every build, soaker and mix, in the order they are made. */
	const cards = $derived.by((): readonly Card[] => [
		...view.production.builds.map((build) => ({
			key: build.preparation.id,
			name: build.preparation.name,
			mix: null,
			grams: build.gross.value,
			makes: build.preparation.kind === 'build' ? 'build' : 'soaker',
			lines: build.lines,
			allergens: allergensOf(build.stage)
		})),
		...view.production.doughs.flatMap((dough) =>
			dough.mixes.map((mix) => ({
				key: `${dough.resolved.formula.id} ${mix.ordinal}`,
				name: dough.resolved.formula.name,
				mix: { ordinal: mix.ordinal, count: mix.count },
				grams: mix.dough.value,
				makes: mix.lots
					.map(
						(lot) =>
							`${lot.pieces} ${dough.products.find((one) => one.product.id === lot.productId)?.product.name ?? ''}`
					)
					.join(', '),
				lines: mix.lines,
				allergens: dough.figures.allergens
			}))
		)
	]);
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
					{bakery.name} · {dateText(view.date)} · {formatMass({ grams: card.grams }, 0, units)} · {card.makes}
				</p>
			</header>
			<table>
				<tbody>
					{#each card.lines as line, index (index)}
						<tr>
							<td class="box"><span></span></td>
							<td>
								{line.name}
								{#if ADDITIONS[line.addition]}<small>· {ADDITIONS[line.addition]}</small>{/if}
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
			<TubLabel name={card.name} date={view.date} allergens={card.allergens} mix={card.mix} />
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
