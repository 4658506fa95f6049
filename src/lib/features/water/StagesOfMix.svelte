<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/water-views.ts';
	import { formatMass, formatMinutes, formatTemperature } from '../../core/units/index.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		mix: MixWaterView;
	}
	let { mix }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const NAMES = {
		autolyse: 'autolyse',
		mix: 'mix',
		knead: 'knead again',
		'held-back': 'held-back water'
	} as const;
	const stages = $derived(mix.water?.stages ?? []);
	function taking({ kind, waterGrams }: (typeof stages)[number]): string {
		if (waterGrams > 0) return ` with ${formatMass({ grams: waterGrams }, 0, units)} of it`;
		return kind === 'knead' ? '' : ' without water';
	}
</script>

{#if stages.length > 0 && mix.water}
	<div class="mt-2" data-stages>
		{#if mix.autolysed}
			<p>
				{mix.bowlReading === 'held-back' ? 'The bowl' : 'The autolyse'} was measured at
				<b>{formatTemperature({ celsius: mix.autolysed.celsius }, 1, units)}</b>
				at {clockText(mix.autolysed.atMs, timeZone)}; the water above is what is still to come.
			</p>
		{/if}
		<ol class="flex flex-wrap gap-x-6">
			{#each stages as stage, at (at)}
				<li>
					<b>{NAMES[stage.kind]}</b>{taking(stage)}, then {formatTemperature(
						{ celsius: stage.celsiusAfter },
						1,
						units
					)} in the bowl{stage.restMinutes > 0 ? `, rests ${formatMinutes(stage.restMinutes)}` : ''}
				</li>
			{/each}
		</ol>
	</div>
{/if}
