<script lang="ts">
	import ChangesPage from '$lib/features/bakery/ChangesPage.svelte';
	import type { PageProps } from './$types';

	let { data }: PageProps = $props();
</script>

<ChangesPage date={data.date} asked={data.asked} changes={data.changes} counts={data.counts} />
