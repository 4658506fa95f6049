<script lang="ts">
	import BatchTrace from '$lib/features/trace/BatchTrace.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<BatchTrace view={data.view} date={data.date} />
