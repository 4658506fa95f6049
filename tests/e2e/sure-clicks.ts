import { ElementHandle } from 'puppeteer-core';

/** A page that still settles can move what is clicked away from under the click; a hand sees it and clicks again. */
const TRIES = 4;

const clickOnce = Object.getOwnPropertyDescriptor(ElementHandle.prototype, 'click')
	?.value as ElementHandle['click'];

/** Clicks until the element heard it. What the click took away, with its page or without, has heard it. */
ElementHandle.prototype.click = async function (this: ElementHandle<Element>, options) {
	for (let turn = 0; turn < TRIES; turn += 1) {
		await this.evaluate((element) => {
			element.removeAttribute('data-heard-click');
			element.addEventListener('click', () => element.setAttribute('data-heard-click', 'yes'), {
				once: true,
				capture: true
			});
		});
		const moved = await clickOnce.call(this, options).then(
			() => null,
			(problem: unknown) => problem
		);
		// It can leave the screen between being scrolled there and being clicked.
		const isAway = moved instanceof Error && moved.message.includes('not clickable');
		if (moved !== null && !(isAway && turn + 1 < TRIES)) throw moved;
		const heard = await this.evaluate((element) => element.hasAttribute('data-heard-click')).catch(
			() => true
		);
		if (heard) return;
		await this.frame
			.page()
			.evaluate(() => new Promise((settled) => requestAnimationFrame(settled)));
	}
};
