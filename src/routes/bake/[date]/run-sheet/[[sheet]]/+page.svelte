<script lang="ts">
	import RunSheet from '$lib/features/run-sheet/RunSheet.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<RunSheet view={data} />
