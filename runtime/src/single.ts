/** Both doors in one file, for a page without npm. */
export * from './index';
export * from './wire/index';
