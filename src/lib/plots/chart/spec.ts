/** What a chart shows, as plain data: lines, areas, marks, notes, dots, and what a hand can take. */

export interface ChartAxis {
	readonly min: number;
	readonly max: number;
	/** Written at the axis: what it is, with its unit. */
	readonly title?: string;
	/** Where it is written on; left out: round numbers. */
	readonly ticks?: readonly number[];
	/** How a number is written; left out: as it is. */
	readonly write?: (value: number) => string;
	readonly log?: boolean;
	/** Colour of what is written; left out: second ink. */
	readonly ink?: string;
	/** Without lines across the paper. */
	readonly bare?: boolean;
}

/** Inks are names of the page's colours: `--ink-x`. */
export interface ChartLine {
	readonly label: string;
	readonly xs: ArrayLike<number>;
	readonly ys: ArrayLike<number>;
	readonly ink: string;
	readonly width?: number;
	readonly dash?: readonly number[];
	/** Against the axis on the right. */
	readonly right?: boolean;
}
/** A stretch of the paper. What is left out of its sides is the paper's edge. */
export interface ChartArea {
	readonly from?: number;
	readonly to?: number;
	readonly low?: number;
	readonly high?: number;
	readonly ink: string;
	/** 0–1. */
	readonly strength: number;
	readonly label?: string;
}
/** A straight line: across at `y`, upright at `x`, or from one point to another. */
export interface ChartMark {
	readonly x?: number;
	readonly y?: number;
	readonly from?: readonly [number, number];
	readonly to?: readonly [number, number];
	readonly ink: string;
	readonly width?: number;
	readonly dash?: readonly number[];
}
/** Words on the paper. */
export interface ChartNote {
	readonly x: number;
	readonly y: number;
	readonly text: string;
	readonly ink: string;
	/** Where they stand by their point; left out: above. */
	readonly where?: 'above' | 'below' | 'left' | 'right';
	readonly strong?: boolean;
	/** Its height counts on the right axis. */
	readonly right?: boolean;
}
export interface ChartDot {
	readonly id: string;
	readonly name: string;
	readonly x: number;
	readonly y: number;
}
export interface ChartDots {
	readonly label: string;
	readonly list: readonly ChartDot[];
	readonly ink: string;
	readonly hollow?: boolean;
	/** Radius in pixels. */
	readonly size: number;
}
/** A point that a hand takes along: by mouse, or by arrows (Shift coarse, Alt fine). */
export interface ChartGrip {
	readonly id: string;
	readonly x: number;
	readonly y: number;
	readonly label: string;
	/** Where it is, in words. */
	readonly said: string;
	/** What it can be moved along. */
	readonly along: 'x' | 'both';
	/** What one arrow is worth. */
	readonly step: readonly [x: number, y: number];
	readonly shape?: 'dot' | 'flag' | 'foot';
	/** Written beside it. */
	readonly text?: string;
	readonly onmove: (x: number, y: number, done: boolean) => void;
}

export interface ChartSpec {
	readonly x: ChartAxis;
	readonly y: ChartAxis;
	readonly right?: ChartAxis;
	readonly lines?: readonly ChartLine[];
	readonly areas?: readonly ChartArea[];
	readonly marks?: readonly ChartMark[];
	readonly notes?: readonly ChartNote[];
	readonly dots?: readonly ChartDots[];
	readonly grips?: readonly ChartGrip[];
}

/** A chart of level bars, one a row. */
export interface LevelRow {
	readonly label: string;
	readonly ink: string;
	/** Parts of the full width, 0–1. */
	readonly now: number;
	/** What was there before something took from it. */
	readonly before: number;
	readonly farthest: number;
	/** From where on it bends, and what it never reaches; null: nothing is over it. */
	readonly bends: number | null;
	readonly most: number | null;
	readonly said: string;
}
