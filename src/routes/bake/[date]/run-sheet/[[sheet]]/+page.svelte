<script lang="ts">
	import RunSheetRoom from '$lib/features/run-sheet/RunSheetRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<RunSheetRoom
	view={data.view}
	sheet={data.sheet}
	calendarKeys={data.calendarKeys}
	origin={data.origin}
/>
