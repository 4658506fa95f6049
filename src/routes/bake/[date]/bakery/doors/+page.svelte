<script lang="ts">
	import DoorsPage from '$lib/features/bakery/DoorsPage.svelte';
	import type { PageProps } from './$types';

	let { data, form }: PageProps = $props();
</script>

<DoorsPage
	fingerprint={data.fingerprint}
	date={data.date}
	doors={data.doors}
	counts={data.counts}
	made={form?.made ?? null}
/>
