import type { en } from './languages/en.ts';

/** A text that generated surfaces are made of. */
export type SurfaceTextId = keyof typeof en;

/** All of them in a language, as ICU MessageFormat. */
export type SurfaceWords = Readonly<Record<SurfaceTextId, string>>;
