/** Finds presets by words, off the page's thread: an index of ten thousand is asked with every letter. */
import { expose } from 'comlink';
import { WordIndex } from './word-index';

expose(new WordIndex());
