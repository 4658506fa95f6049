import { MOST_PICTURE_CHARACTERS } from '../contracts/limits.ts';

/** What is tried one after the other until a picture is small enough: its longer side in pixels, and how finely it is kept. */
const TRIES = [
	[1280, 0.75],
	[1024, 0.65],
	[800, 0.55],
	[560, 0.45]
] as const;

/**
 * A picture made small, as the base64 of a JPEG; null where the browser cannot read it. What a camera writes into it, its place and its
 * time, is left behind.
 */
export async function smallPicture(file: Blob): Promise<string | null> {
	const bitmap = await createImageBitmap(file).catch(() => null);
	if (!bitmap) return null;
	const canvas = document.createElement('canvas');
	const context = canvas.getContext('2d');
	try {
		for (const [side, quality] of TRIES) {
			const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
			canvas.width = Math.max(1, Math.round(bitmap.width * scale));
			canvas.height = Math.max(1, Math.round(bitmap.height * scale));
			context?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
			const jpeg = canvas.toDataURL('image/jpeg', quality).split(',')[1] ?? '';
			if (jpeg.length > 0 && jpeg.length <= MOST_PICTURE_CHARACTERS) return jpeg;
		}
		return null;
	} finally {
		bitmap.close();
	}
}
