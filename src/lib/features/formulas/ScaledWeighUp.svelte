<script lang="ts">
	import { hasOwnFlour } from '../../core/formula/index.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { ScaledBatch } from '../../core/production/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import WeighUpTable from '../../sheets/WeighUpTable.svelte';
	import type { DividedPieces } from './scaled-sheet.ts';

	interface Props {
		batch: ScaledBatch;
		divided: readonly DividedPieces[];
		name: string;
	}
	let { batch, divided, name }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const [mix] = $derived(batch.mixes);
	const stages = $derived([
		...batch.builds.map((build) => ({
			key: build.preparation.id,
			title: build.preparation.name,
			total: build.gross,
			base: hasOwnFlour(build.preparation.kind) ? 'its flour' : 'all of it',
			lines: build.lines
		})),
		...(mix
			? [
					{
						key: 'mix',
						title: mix.count > 1 ? `Each of ${mix.count} mixes` : 'The mix',
						total: mix.dough,
						base: 'total flour',
						lines: mix.lines
					}
				]
			: [])
	]);
</script>

<section class="mt-3 border border-line bg-sheet p-4" aria-label="Weigh-up of {name}" data-weigh-up>
	<h2 class="mb-2">Weigh-up at this size</h2>
	<div class="stages">
		{#each stages as stage (stage.key)}
			<div>
				<h3 class="flex justify-between gap-3">
					{stage.title}
					<button
						class="cursor-pointer underline decoration-dotted underline-offset-4"
						aria-label="{stage.title} {formatMass(
							{ grams: stage.total.value },
							0,
							units
						)}, open the arithmetic"
						onclick={() => room.explain(stage.total, stage.title)}
						>{formatMass({ grams: stage.total.value }, 0, units)}</button
					>
				</h3>
				<WeighUpTable
					residues
					lines={stage.lines}
					base={stage.base}
					caption="Weigh-up of {stage.title}"
				/>
			</div>
		{/each}
	</div>
	{#each divided as share (share.product.id)}
		<p class="mt-3" data-division>
			<b>{share.divider}, {share.pieces} {share.product.name}:</b>
			{#if share.division}
				{share.division.presses} presses of {formatMass(
					share.division.press,
					0,
					units
				)}{#if share.division.byHand > 0},
					{share.division.byHand} left to scale by hand, or one more press with {share.division
						.spareWithOneMore} to spare{/if}.
			{:else}
				{formatMass({ grams: share.product.scaledGrams }, 0, units)} is outside what it takes ({share.range}).
				Scale by hand, or change the weight.
			{/if}
		</p>
	{/each}
</section>

<style>
	.stages {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(270px, 100%), 1fr));
		gap: 16px 28px;
		align-items: start;
	}
</style>
