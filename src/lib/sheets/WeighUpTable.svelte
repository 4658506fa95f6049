<script lang="ts">
	import { useRoom } from '../client/room-context.ts';
	import type { WeighUpLine } from '../core/production/index.ts';
	import { decimalsOfDivision, formatMass, formatNumber } from '../core/units/index.ts';
	import { laterText } from '../wording/addition-text.ts';

	interface Props {
		lines: readonly WeighUpLine[];
		/** What the percentages are of. */
		base: string;
		caption: string;
		/** Whether what rounding left over or short stands beside each weight. */
		residues?: boolean;
	}
	let { lines, base, caption, residues = false }: Props = $props();
	const room = useRoom();

	const mass = (grams: number, decimals: number) =>
		formatMass({ grams }, decimals, room.bakery.units);
	const weighedText = (line: WeighUpLine) =>
		mass(line.weighing.weighed.grams, decimalsOfDivision(line.weighing.scale.division));
	/** What the scale's steps put in too much or too little. */
	function residueText({ weighing }: WeighUpLine): string {
		const { grams } = weighing.residue;
		const decimals = decimalsOfDivision(weighing.scale.division) + 1;
		if (Number(Math.abs(grams).toFixed(decimals)) === 0) return '';
		const off = mass(Math.abs(grams), decimals);
		return `${off} ${grams > 0 ? 'over' : 'short'}`;
	}
	const finerText = ({ finerScale }: WeighUpLine) =>
		finerScale ? `on the ${finerScale}` : 'on a finer scale than any here';
	const total = $derived(lines.reduce((sum, line) => sum + line.weighing.weighed.grams, 0));
	/** As fine as the finest of its lines, so that the sum is theirs to the last digit shown. */
	const finest = $derived(
		Math.max(1, ...lines.map(({ weighing }) => decimalsOfDivision(weighing.scale.division)))
	);
	const totalDecimals = $derived(
		Number.isInteger(Math.round(total * 1e6) / 1e6) && total < 10_000 ? 0 : finest
	);

	function open(line: WeighUpLine) {
		const { scale, weighed, residue, coarse } = line.weighing;
		const decimals = decimalsOfDivision(scale.division);
		const step = mass(scale.division.grams, decimals);
		const off = formatMass({ grams: Math.abs(residue.grams) }, 1, room.bakery.units);
		const side = residue.grams >= 0 ? 'over' : 'under';
		room.explain(line.exact, `${line.name}, ${weighedText(line)}`, [
			`Weighed as ${mass(weighed.grams, decimals)} on the ${scale.name} in steps of ${step}: ${off} ${side}.`,
			...(line.weighing.goes > 1
				? [
						`The ${scale.name} carries ${mass(scale.capacity.grams, decimals)}: weigh it in ${line.weighing.goes} goes.`
					]
				: []),
			...(coarse
				? [`That is more than one percent of this line: weigh it ${finerText(line)}.`]
				: [])
		]);
	}
</script>

<table class="weigh-up">
	<caption class="sr-only">{caption}</caption>
	<thead>
		<tr>
			<th scope="col">Weigh</th>
			<th scope="col" class="number">% of {base}</th>
			<th scope="col" class="number">Weight</th>
		</tr>
	</thead>
	<tbody>
		{#each lines as line, index (index)}
			<tr>
				<th scope="row">
					{line.name}
					{#if line.addition !== 'start'}<span class="text-note text-ink-2">
							· {laterText(line.addition)}</span
						>{/if}
				</th>
				<td class="number">{formatNumber(line.percentOfFlour, line.percentOfFlour < 1 ? 2 : 1)}</td>
				<td class="number">
					<button
						class="figure"
						onclick={() => open(line)}
						aria-label="{line.name} {weighedText(line)}, open the arithmetic"
					>
						{weighedText(line)}
					</button>
					{#if residues && residueText(line) !== ''}<span class="block text-note text-ink-2"
							>{residueText(line)}</span
						>{/if}
					{#if line.weighing.goes > 1}<span class="block text-note"
							>in {line.weighing.goes} goes</span
						>{/if}
					{#if line.weighing.coarse}<span class="block text-note whitespace-normal"
							>{finerText(line)}</span
						>{/if}
				</td>
			</tr>
		{/each}
	</tbody>
	<tfoot>
		<tr>
			<th scope="row">Together</th>
			<td></td>
			<td class="number"><b>{mass(total, totalDecimals)}</b></td>
		</tr>
	</tfoot>
</table>

<style>
	.weigh-up {
		width: 100%;
		border-collapse: collapse;
	}
	th,
	td {
		padding: 3px 0;
		text-align: left;
		font-weight: 400;
		border-bottom: 1px solid var(--line);
	}
	thead th {
		font-size: 13px;
		color: var(--ink-2);
	}
	tfoot th,
	tfoot td {
		border-bottom: 0;
		border-top: 2px solid var(--ink);
	}
	.number {
		text-align: right;
		white-space: nowrap;
		padding-left: 10px;
	}
	.figure {
		font-weight: 700;
		min-height: 28px;
		cursor: pointer;
		text-decoration: underline dotted;
		text-underline-offset: 4px;
	}
	@media (pointer: coarse) {
		.figure {
			min-height: 48px;
		}
	}
</style>
