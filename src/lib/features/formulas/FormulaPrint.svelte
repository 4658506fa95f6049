<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import {
		figuresOf,
		stagesInOrder,
		type ResolvedFormula,
		type Step
	} from '../../core/formula/index.ts';
	import { formatMass, formatNumber, formatTemperature } from '../../core/units/index.ts';
	import { additionText } from '../../wording/addition-text.ts';
	import { stepText } from '../../wording/step-text.ts';
	import { shortDateText } from '../../wording/time-text.ts';

	interface Props {
		resolved: ResolvedFormula;
		steps: readonly Step[];
		targetCelsius: number;
		totalFlourGrams: number;
		date: string;
		/** Which revision, or that it is not saved. */
		standing: string;
	}
	let { resolved, steps, targetCelsius, totalFlourGrams, date, standing }: Props = $props();
	const { bakery } = useRoom();
	const { units } = bakery;

	const figures = $derived(figuresOf(resolved));
	const stages = $derived(stagesInOrder(resolved.final));
	const grams = (percent: number) => {
		const mass = (percent * totalFlourGrams) / 100;
		return formatMass({ grams: mass }, mass < 100 ? 1 : 0, units);
	};
	const percent = (value: number, decimals = 1) => `${formatNumber(value, decimals)} %`;
</script>

<article class="formula-sheet" aria-hidden="true" data-formula-sheet>
	<header>
		<p class="title">{resolved.formula.name}</p>
		<p>
			{bakery.name} · {shortDateText(date)} · {standing} · {grams(100)} of flour, {grams(
				resolved.final.percentOfFlour
			)} of dough · dough to {formatTemperature({ celsius: targetCelsius }, 1, units)}
		</p>
	</header>
	<div class="stages">
		{#each stages as stage (stage.preparation?.id ?? 'final')}
			<section>
				<h2>{stage.kind === 'final' ? 'Final dough' : stage.name}</h2>
				<table>
					<tbody>
						{#each stage.stages as inner (inner.preparation?.id)}
							<tr
								><td
									>{inner.name}{inner.addition === 'start'
										? ''
										: `, ${additionText(inner.addition)}`}</td
								><td>{percent(inner.percentOfFlour, 2)}</td><td>{grams(inner.percentOfFlour)}</td
								></tr
							>
						{/each}
						{#each stage.lines as line (line.ingredient.id + line.addition)}
							<tr
								><td
									>{line.ingredient.name}{line.addition === 'start'
										? ''
										: `, ${additionText(line.addition)}`}</td
								><td>{percent(line.percentOfFlour, 2)}</td><td>{grams(line.percentOfFlour)}</td></tr
							>
						{/each}
					</tbody>
				</table>
			</section>
		{/each}
	</div>
	<p class="figures">
		Hydration {percent(figures.hydration)}, without soakers {percent(
			figures.hydrationWithoutSoakers
		)}, effective {percent(figures.effectiveHydration)} · salt {percent(figures.salt, 2)} · yeast as fresh
		{percent(figures.yeastFreshEquivalent, 2)} · pre-fermented flour {percent(
			figures.prefermentedFlour
		)} · wholegrain {percent(figures.wholegrain)}
	</p>
	<ol>
		{#each steps as step, at (at)}<li>{stepText(step, units)}</li>{/each}
	</ol>
	<p>
		<b>Allergens:</b>
		{figures.allergens.join(', ') || 'none named in the formula'}. The site's own list comes first.
	</p>
	<p class="caution">
		Raw flour and egg are not food yet; keep flour dust down; load the mixer only when it stands
		still with its guard closed. The site's own rules come first.
	</p>
</article>

<style>
	.formula-sheet {
		display: none;
	}
	@media print {
		.formula-sheet {
			display: block;
			font-size: 10.5pt;
		}
		header {
			border-bottom: 2px solid var(--ink);
			margin-bottom: 3mm;
		}
		.title {
			font-size: 22pt;
			font-weight: 800;
		}
		.stages {
			columns: 2;
			column-gap: 8mm;
		}
		section {
			break-inside: avoid;
			margin-bottom: 4mm;
		}
		h2 {
			font-size: 12pt;
		}
		table {
			width: 100%;
			border-collapse: collapse;
		}
		td {
			border-bottom: 1px solid var(--line);
			padding: 0.5mm 0;
		}
		td:nth-child(n + 2) {
			text-align: right;
			white-space: nowrap;
			padding-left: 3mm;
		}
		td:last-child {
			font-weight: 700;
		}
		.figures,
		ol {
			margin: 3mm 0;
		}
		ol {
			list-style: decimal inside;
		}
		.caution {
			font-size: 9pt;
			margin-top: 3mm;
		}
	}
</style>
