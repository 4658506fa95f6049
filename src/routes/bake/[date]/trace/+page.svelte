<script lang="ts">
	import TraceRoom from '$lib/features/trace/TraceRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<TraceRoom view={data.view} />
