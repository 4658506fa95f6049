<script lang="ts">
	import '../app.css';
	import Frame from '$lib/features/frame/Frame.svelte';
	import type { LayoutProps } from './$types';

	let { data, children }: LayoutProps = $props();
</script>

<Frame bakery={data.bakery} appearance={data.appearance} servedAtMs={data.servedAtMs} {children} />
