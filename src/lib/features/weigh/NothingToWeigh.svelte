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
	sentence="There is nothing like that to weigh for {shortDateText(date)}."
	note="It may not be ordered any more, or be made in fewer mixes."
>
	{#snippet actions()}
		<a class="action no-underline!" href={resolve(`/bake/${date}/doughs`)}>Go to the doughs</a>
	{/snippet}
</RoomHeading>
