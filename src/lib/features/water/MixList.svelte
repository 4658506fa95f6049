<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { WaterView } from '../../contracts/water-views.ts';
	import { BOILING } from '../../core/heat/index.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';
	import ListRow from '../../ui/ListRow.svelte';
	import { clockText } from '../../wording/time-text.ts';
	import { isMissed } from '../../wording/order-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';

	interface Props {
		view: WaterView;
		selected: string;
		onSelect: (key: string) => void;
	}
	let { view, selected, onSelect }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);

	function orderText({
		water,
		scald
	}: Pick<WaterView['builds'][number], 'water' | 'scald'>): string {
		if (scald?.poured)
			return `${scald.liquid.toLowerCase()} at ${formatTemperature({ celsius: Math.min(scald.poured.value, BOILING.celsius) }, 0, units)}`;
		if (!water) return 'no water';
		const { order } = water;
		const at = formatTemperature(order.temperature, 1, units);
		if (order.kind === 'ice')
			return `${at}, ${formatMass({ grams: order.ice.value }, 0, units)} ice`;
		if (order.kind === 'too-cold-for-ice') return `${at}, ${formatMass(order.ice, 0, units)} ice`;
		return at;
	}
	const rows = $derived([
		...view.mixes.map((mix) => ({
			key: `${mix.formulaId}:${mix.ordinal}`,
			kind: 'mix' as const,
			title: mixTitle(mix),
			startMs: mix.startMs,
			water: mix.water,
			scald: null,
			done: mix.measured
				? `mixed, ${formatTemperature({ celsius: mix.measured.celsius }, 1, units)}`
				: null
		})),
		...view.builds.map((build) => ({
			key: `${build.preparationId}:${build.ordinal}`,
			kind: 'build' as const,
			title: mixTitle({ ...build, kind: 'pre-ferment' }),
			startMs: build.startMs,
			water: build.water,
			scald: build.scald,
			done: build.measured
				? `stirred, ${formatTemperature({ celsius: build.measured.celsius }, 1, units)}`
				: null
		}))
	]);
</script>

<nav aria-label="Mixes, pre-ferments and scalds" class="bg-sheet">
	{#each ['mix', 'build'] as const as kind (kind)}
		{@const of = rows.filter((row) => row.kind === kind)}
		{#if of.length > 0}
			<h2 class="px-4 pt-3 pb-1">{kind === 'mix' ? 'Mixes' : 'Pre-ferments and scalds'}</h2>
			<ul>
				{#each of as row (row.key)}
					<li>
						<ListRow
							name={row.title}
							current={row.key === selected}
							onSelect={() => onSelect(row.key)}
						>
							<span class="when"
								>{row.startMs === null ? '' : clockText(row.startMs, timeZone)}</span
							>
							<span class="what">
								<b>{row.title}</b>
								<span class="block text-ink-2">{row.done ?? orderText(row)}</span>
							</span>
							{#if !row.done && row.water && isMissed(row.water.order)}
								<span class="act-now px-2 py-1 text-note">out of reach</span>
							{/if}
						</ListRow>
					</li>
				{/each}
			</ul>
		{/if}
	{/each}
</nav>

<style>
	nav {
		border: 1px solid var(--line);
	}
	.when {
		min-width: 44px;
		font-size: 19px;
		font-weight: 700;
	}
	.when:empty {
		display: none;
	}
	.what {
		flex: 1;
		min-width: 0;
	}
</style>
