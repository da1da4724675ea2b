/** The golden vectors: their inputs, and how they are played. */
export { casesOf, cue, play, presets, scene } from './cases';
export { hexOf, playVector, writeDown, type Give, type Vector } from './play';
