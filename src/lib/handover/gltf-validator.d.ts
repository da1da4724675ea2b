/** The part of the independent validator that the tests ask. */
declare module 'gltf-validator' {
	const validator: { validateBytes(bytes: Uint8Array): Promise<unknown> };
	export default validator;
}
