<script lang="ts">
	import type { ReadPart } from './revision-diff.ts';

	interface Props {
		parts: readonly ReadPart[];
	}
	let { parts }: Props = $props();
</script>

{#if parts.length === 0}<p>No line differs.</p>{/if}
{#each parts as part (part.part)}
	<h4 class="mt-2 font-bold">{part.part}</h4>
	<ul>
		{#each part.lines as line, at (at)}
			<li class="flex flex-wrap justify-between gap-x-3 border-b border-line py-1">
				{#if line.name}<span>{line.name}</span>
					<span>{line.before ?? 'none'} → <b>{line.after ?? 'none'}</b></span>
				{:else if line.after}<span><b>now</b> {line.after}</span>
				{:else}<span><b>no longer</b> {line.before}</span>{/if}
			</li>
		{/each}
	</ul>
{/each}
