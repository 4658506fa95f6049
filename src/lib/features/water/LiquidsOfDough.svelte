<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { MixWaterView } from '../../contracts/water-views.ts';
	import type { LiquidOfMix } from '../../core/mixing/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import { additionText } from '../../wording/addition-text.ts';

	interface Props {
		mix: MixWaterView;
		poured: readonly LiquidOfMix[];
	}
	let { mix, poured }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const sending = new Sending(room.retries);
	const found = $derived(poured.filter(({ isFound }) => isFound));

	function set(picked: readonly LiquidOfMix[]) {
		return sending.send(
			{
				kind: 'set-liquids',
				occurredAtMs: Math.round(room.now.epochMs),
				formulaId: mix.formulaId,
				picked: picked.map(({ ingredientId, addition }) => ({ ingredientId, addition }))
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
	function toggle(liquid: LiquidOfMix) {
		const rest = found.filter((each) => each !== liquid);
		return set(liquid.isFound ? rest : [...found, liquid]);
	}
</script>

{#if poured.length > 1}
	<fieldset class="mt-2" data-liquids>
		<legend class="font-bold">Warmed or cooled for {mix.name}, all to one temperature</legend>
		<div class="flex flex-wrap items-center gap-x-6">
			{#each poured as liquid (liquid.ingredientId + liquid.addition)}
				<label class="flex min-h-14 cursor-pointer items-center gap-2">
					<input
						name="isFound"
						type="checkbox"
						class="size-6"
						checked={liquid.isFound}
						disabled={sending.busy || (liquid.isFound && found.length === 1)}
						onchange={() => toggle(liquid)}
					/>
					{liquid.name}, {additionText(liquid.addition)},
					{formatMass({ grams: liquid.grams }, 0, units)}
				</label>
			{/each}
			{#if mix.picksLiquids}
				<button type="button" class="action-lesser" disabled={sending.busy} onclick={() => set([])}
					>Leave it to their masses</button
				>
			{/if}
		</div>
		<p class="text-note text-ink-2">
			{mix.picksLiquids
				? 'As you picked it; what is not ticked goes in as warm as it stands.'
				: 'Water alone where it is most of what is poured, else all of it; tick otherwise where you do otherwise.'}
		</p>
		{#if sending.message}<p role="alert">
				<span class="act-now px-2">Check</span>
				{sending.message}
			</p>{/if}
	</fieldset>
{/if}
