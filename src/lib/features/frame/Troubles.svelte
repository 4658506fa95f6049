<script lang="ts">
	import type { StorageTrouble as KindOfStorageTrouble } from '../../client/outbox.svelte.ts';
	import type { ClockDoubt } from '../../contracts/views.ts';
	import ClockTrouble from './ClockTrouble.svelte';
	import StorageTrouble from './StorageTrouble.svelte';

	interface Props {
		clockDoubt: ClockDoubt | null;
		storage: KindOfStorageTrouble | null;
	}
	let { clockDoubt, storage }: Props = $props();
</script>

<ClockTrouble doubt={clockDoubt} />
{#if storage}<StorageTrouble trouble={storage} />{/if}
