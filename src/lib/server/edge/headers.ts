/** What a bakery's screens never need. */
const PERMISSIONS = [
	'accelerometer',
	'camera',
	'display-capture',
	'geolocation',
	'gyroscope',
	'magnetometer',
	'microphone',
	'payment',
	'usb'
]
	.map((feature) => `${feature}=()`)
	.join(', ');

/** Headers of every answer; one that is set already stands. */
export function addHeaders(headers: Headers): void {
	const usual = {
		'cache-control': 'private, no-cache',
		'x-content-type-options': 'nosniff',
		'referrer-policy': 'same-origin',
		'cross-origin-opener-policy': 'same-origin',
		'cross-origin-resource-policy': 'same-origin',
		'permissions-policy': PERMISSIONS
	};
	for (const [name, value] of Object.entries(usual))
		if (!headers.has(name)) headers.set(name, value);
}
