<script lang="ts">
	import LogRoom from '$lib/features/log/LogRoom.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<LogRoom view={data.view} />
