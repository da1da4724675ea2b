const MOST = 80;
/** A name as every system takes it for a file: without what paths are made of; never empty. */
export function fileName(name: string): string {
	const plain = name
		.normalize('NFC')
		.replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ')
		.replace(/\s+/g, ' ')
		.trim()
		.replace(/^\.+|\.+$/g, '');
	return [...plain].slice(0, MOST).join('').trim() || 'untitled';
}

/** Hands a text, or bytes, to the browser as a file to be saved. */
export function saveText(name: string, text: string | Uint8Array, type = 'application/json'): void {
	const address = URL.createObjectURL(new Blob([text as BlobPart], { type }));
	const link = document.createElement('a');
	link.href = address;
	link.download = name;
	link.click();
	// Behind the click: some browsers fetch it only then.
	setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
