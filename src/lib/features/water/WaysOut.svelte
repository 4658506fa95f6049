<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/views.ts';
	import { formatMass } from '../../core/units/index.ts';
	import { wayOutText } from './ways-out-text.ts';

	interface Props {
		mix: MixWaterView;
	}
	let { mix }: Props = $props();
	const { units } = useRoom().bakery;
	const ways = $derived(mix.water?.waysOut ?? []);
	const moreIce = $derived(
		mix.water?.order.kind === 'too-cold-for-ice' ? mix.water.order.wantedIce.value : null
	);
</script>

{#if ways.length > 0}
	<div class="my-2" data-ways-out>
		<p class="font-bold">What would reach it, each alone:</p>
		<ul class="list-inside list-disc">
			{#if moreIce !== null}<li>
					{formatMass({ grams: moreIce }, 0, units)} of ice, as flakes that melt in the mix.
				</li>{/if}
			{#each ways as way, at (at)}<li>{wayOutText(way, mix, units)}</li>{/each}
		</ul>
	</div>
{/if}
