<script lang="ts">
	import { resolve } from '$app/paths';
	import type { BakeDate } from '../../core/time/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { shortDateText } from '../../wording/time-text.ts';

	interface Props {
		date: BakeDate;
	}
	let { date }: Props = $props();
</script>

<RoomHeading
	sentence="This sour is not built on {shortDateText(date)}."
	note="It is when something is ordered that takes it."
>
	{#snippet actions()}
		<a class="action no-underline!" href={resolve(`/bake/${date}/fermentation/cultures`)}
			>Go to the cultures</a
		>
	{/snippet}
</RoomHeading>
