/** What is counted stays on one line: "load 1 of 2" reads at a glance, "load 1 / of 2" does not. For what is shown only. */
export function heldTogether(text: string): string {
	return text.replace(/(\w+) (\d+) of (\d+)/g, '$1\u00a0$2\u00a0of\u00a0$3');
}
