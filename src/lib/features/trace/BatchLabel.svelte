<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { ourLot } from '../../contracts/our-lot.ts';
	import type { BatchTraceView } from '../../contracts/trace-views.ts';
	import { dateText, clockText } from '../../wording/time-text.ts';
	import { tracedName } from '../../wording/trace-text.ts';

	interface Props {
		view: BatchTraceView;
	}
	let { view }: Props = $props();
	const room = useRoom();
</script>

<aside class="label" aria-label="Label of {tracedName(view.batch)}" data-label>
	<p class="name">{tracedName(view.batch)}</p>
	<p>
		{dateText(view.batch.date)}{view.beganMs === null
			? ''
			: `, begun ${clockText(view.beganMs, room.bakery.timeZone)}`}
	</p>
	<p>Lot <b>{ourLot(view.batch)}</b></p>
	<p>
		<b>Allergens:</b>
		{view.allergens.length > 0 ? view.allergens.join(', ') : 'none named by its ingredients'}
	</p>
</aside>

<style>
	.label {
		max-width: 380px;
		padding: 8px 12px;
		border: 2px dashed var(--ink);
		background: var(--sheet);
		break-inside: avoid;
	}
	.name {
		font-size: 19px;
		font-weight: 800;
	}
</style>
