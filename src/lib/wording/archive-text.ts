import type { ArchiveProblem } from '../contracts/archive.ts';

/** Why an archive was not taken, and what to do. */
export function archiveProblemText(name: string, problem: ArchiveProblem): string {
	switch (problem.kind) {
		case 'not-empty':
			return 'There is a bakery here already. An archive is taken where there is none: start Jovet on an empty data folder (JOVET_DATA), and bring it in there.';
		case 'another-format':
			return `${name} is no archive of a bakery. It is the zip that "Take all of it along" wrote, as it is.`;
		case 'other-data':
			return `${name} was written by another version of Jovet (its data is at ${problem.theirs}, this one's at ${problem.ours}). Bring both to the same version, write it anew there, and take it here.`;
		case 'damaged':
			return `${name} is not whole (${problem.where}): it was cut short or changed on the way. Fetch it once more; nothing of it was taken.`;
		case 'too-large':
			return `${name} unpacks to more than any bakery has. Nothing of it was taken.`;
		case 'does-not-fit':
			return `${name} has something in it that cannot be (${problem.where}). Nothing of it was taken; write it anew where it comes from.`;
		case 'no-room':
			return 'The disk of Jovet’s machine is full, or damaged. Nothing was taken; make room and try it again.';
		case 'database-unavailable':
			return 'The database does not answer. Nothing was taken; try it again in a moment.';
	}
}
