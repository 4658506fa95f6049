/** Where a desk says that it keeps the night too; tablets and walls always do. */
const PLACE = 'jovet.keeps-nights';

/** Whether somebody at this desk wants the night kept here. */
export function deskKeeps(): boolean {
	try {
		return localStorage.getItem(PLACE) === 'yes';
	} catch {
		return false;
	}
}

/** Keeps nights at this desk from the next page on, or no more. */
export function setDeskKeeps(keeps: boolean): void {
	if (keeps) localStorage.setItem(PLACE, 'yes');
	else localStorage.removeItem(PLACE);
}
