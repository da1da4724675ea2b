/** Hands a text to the browser as a file to be saved. */
export function saveText(name: string, text: string, type = 'application/json'): void {
	const address = URL.createObjectURL(new Blob([text], { type }));
	const link = document.createElement('a');
	link.href = address;
	link.download = name;
	link.click();
	// Behind the click: some browsers fetch it only then.
	setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
