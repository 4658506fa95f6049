<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { momentText } from '../../wording/time-text.ts';

	const room = useRoom();
	const keeping = $derived(room.keeper?.keeping ?? { kind: 'off' as const });
</script>

<!-- Whether this browser could go on by itself, for whoever looks before the night. -->
<p class="max-w-prose" data-night-kept={keeping.kind}>
	{#if keeping.kind === 'kept'}
		Kept here for when the network is away: {keeping.pages} pages, as they were at
		<b>{momentText(room.now.at(keeping.atMs), room.now.epochMs, room.bakery.timeZone)}</b>.
	{:else if keeping.kind === 'not-possible'}
		<span class="act-now px-2">Check</span> This browser keeps no pages for when the network is
		away: it does not trust the certificate of this address yet. Keep
		<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- the front door itself gives it: no page of the application -->
		<a href="/certificate.crt" download>Keep this bakery’s certificate</a>, let the settings of this
		machine trust it for websites, and open this page anew.
	{:else}
		Nothing is kept here yet for when the network is away. Open a page of the night; it is done in a
		minute.
	{/if}
</p>
