/**
 * How the tests and the benchmark start Chromium: without a screen, and asking nothing of the network.
 * @param {string} executablePath
 * @param {string} userDataDir
 */
export function browserOptions(executablePath, userDataDir) {
	return {
		executablePath,
		userDataDir,
		args: [
			...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync'
		]
	};
}
