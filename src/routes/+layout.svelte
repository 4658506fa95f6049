<script lang="ts">
	import '../app.css';
	import Frame from '$lib/features/frame/Frame.svelte';
	import type { LayoutProps } from './$types';

	let { data, children }: LayoutProps = $props();
</script>

<!-- Without a server and without anything kept there is no data for the frame, and still a page in it that says so. -->
<Frame
	bakery={data.bakery ?? null}
	appearance={data.appearance ?? 'system'}
	servedAtMs={data.servedAtMs ?? Date.now()}
	clockDoubt={data.clockDoubt ?? null}
	{children}
/>
