<script lang="ts">
	import LotTrace from '$lib/features/trace/LotTrace.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<LotTrace view={data.view} date={data.date} />
