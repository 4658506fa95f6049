<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { WATER_SCHOOLS } from '../../core/heat/index.ts';
	import { HOT_ROOM_CELSIUS, meanMiss, type SchoolMiss } from '../../core/learning/index.ts';
	import { formatDifference, formatTemperature } from '../../core/units/index.ts';
	import { SCHOOL_TEXT } from '../../wording/school-names.ts';
	import { dayText } from '../../wording/time-text.ts';

	interface Props {
		/** Newest first. */
		misses: readonly SchoolMiss[];
		name: string;
	}
	let { misses, name }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);

	/** So many nights are told one by one. */
	const TOLD = 12;
	const hot = $derived(misses.filter(({ roomCelsius }) => roomCelsius >= HOT_ROOM_CELSIUS));
	const others = $derived(misses.filter(({ roomCelsius }) => roomCelsius < HOT_ROOM_CELSIUS));
	/** The hot nights are always told: they are where the schools part. */
	const told = $derived(
		[...new Set([...hot, ...misses])]
			.slice(0, Math.max(TOLD, hot.length))
			.sort((a, b) => b.occurredAtMs - a.occurredAtMs)
	);
	const size = (kelvins: number) => formatDifference({ kelvins }, 1, units);
	const signed = (kelvins: number) => `${kelvins > 0 ? '+' : ''}${size(kelvins)}`;
	const summary = $derived(
		[
			{ nights: 'hot nights', mean: meanMiss(hot) },
			{ nights: 'other nights', mean: meanMiss(others) }
		].flatMap(({ nights, mean }) => (mean ? [{ nights, mean }] : []))
	);
</script>

<section class="card" aria-label="How far each school would have missed" data-learned="schools">
	<h3 class="sub">How far each school would have missed</h3>
	<p>
		Its water as it was asked for before the mix, against the {name} that came out, in degrees of dough.
		Hot nights are those with a room of {formatTemperature({ celsius: HOT_ROOM_CELSIUS }, 0, units)} or
		more.
	</p>
	<table class="misses">
		<thead>
			<tr>
				<th scope="col">night</th>
				<th scope="col" class="number">room</th>
				{#each WATER_SCHOOLS as school (school)}<th scope="col" class="number"
						>{SCHOOL_TEXT[school]}</th
					>{/each}
			</tr>
		</thead>
		<tbody>
			{#each summary as { nights, mean } (nights)}
				<tr class="mean" data-mean={nights}>
					<th scope="row">{mean.mixes} {nights}, on average</th>
					<td></td>
					{#each WATER_SCHOOLS as school (school)}<td class="number"
							>{size(mean.kelvins[school])}</td
						>{/each}
				</tr>
			{/each}
			{#each told as miss (miss.id)}
				<tr data-hot={miss.roomCelsius >= HOT_ROOM_CELSIUS ? 'yes' : 'no'}>
					<th scope="row">{dayText(miss.occurredAtMs, timeZone)}</th>
					<td class="number">{formatTemperature({ celsius: miss.roomCelsius }, 1, units)}</td>
					{#each WATER_SCHOOLS as school (school)}<td class="number"
							>{signed(miss.kelvins[school])}</td
						>{/each}
				</tr>
			{/each}
		</tbody>
	</table>
</section>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.sub {
		margin-bottom: 6px;
		font-size: 15px;
		line-height: 1.4;
	}
	.misses {
		width: 100%;
		margin-top: 8px;
	}
	th,
	td {
		padding: 4px 8px;
		border-top: 1px solid var(--line);
		text-align: left;
		font-weight: 400;
	}
	thead th {
		border-top: 0;
		color: var(--ink-2);
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
	.mean th,
	.mean td {
		font-weight: 700;
	}
	[data-hot='yes'] th,
	[data-hot='yes'] td {
		font-weight: 700;
	}
</style>
