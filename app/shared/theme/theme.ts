/**
 * The look: palette, sizes and tokens of the component library, by day and by night, for a desk and for a touch screen.
 * `scripts/antd-css.tsx` writes it into one static file, the variables of our own styles too.
 */
import type { ThemeConfig } from 'antd'

/** Colours of our own styles, each the CSS variable of its name. */
const DAY = {
	paper: '#fbf8f3',
	surface: '#ffffff',
	hover: '#f1ebe2',
	ink: '#2a2431',
	'soft-ink': '#625b68',
	hairline: '#e6dfd6',
	/** Of what can be pressed or typed in. */
	border: '#b9afa4',
	leaf: '#3e6b52',
	sage: '#dce7dd',
	'sage-ink': '#2c513c',
	plum: '#7b3b5e',
	'plum-wash': '#f5ebf1',
	'on-plum': '#ffffff',
	persimmon: '#c8502a',
	'persimmon-ink': '#a83a17',
	'persimmon-wash': '#fbe9e1',
	dew: '#9db9c9',
	straw: '#e2c46e',
	'straw-edge': '#a88a2c',
	'straw-wash': '#f6ecd0',
	never: '#efe9e1',
	'never-mark': '#e3dbd1',
}

export type Palette = typeof DAY

const NIGHT: Palette = {
	paper: '#1b1720',
	surface: '#252029',
	hover: '#322b37',
	ink: '#f2ebf0',
	'soft-ink': '#bdb2c1',
	hairline: '#3d3643',
	border: '#786d7e',
	leaf: '#93c6a7',
	sage: '#2b3f34',
	'sage-ink': '#cfe6d7',
	plum: '#dba2c1',
	'plum-wash': '#3d2937',
	'on-plum': '#2a1222',
	persimmon: '#ee8863',
	'persimmon-ink': '#f6a687',
	'persimmon-wash': '#43291f',
	dew: '#7aa3b8',
	straw: '#cfb05a',
	'straw-edge': '#e0c987',
	'straw-wash': '#453b20',
	never: '#2f2933',
	'never-mark': '#3a333f',
}

export const PALETTES = { day: DAY, night: NIGHT }

/** Heights of what is pressed, px: with a mouse, and with a finger that has glue on it. */
export const REACHES = {
	desk: { control: 40, small: 32 },
	touch: { control: 48, small: 44 },
}

/** @returns the tokens of the component library for a palette and a reach */
export function makeTheme(light: keyof typeof PALETTES, reach: keyof typeof REACHES): ThemeConfig {
	const palette = PALETTES[light]
	return {
		hashed: false,
		cssVar: { key: 'calycine', prefix: 'ant' },
		token: { ...colourTokens(palette), ...SIZE_TOKENS, ...reachTokens(REACHES[reach]) },
		components: {
			Button: {
				primaryShadow: 'none',
				defaultShadow: 'none',
				dangerShadow: 'none',
				primaryColor: palette['on-plum'],
				fontWeight: 600,
				borderRadius: 24,
			},
			Form: { labelColor: palette.ink, itemMarginBottom: 16 },
			Table: {
				headerBg: 'transparent',
				headerColor: palette['soft-ink'],
				headerSplitColor: 'transparent',
				cellPaddingInline: 12,
				cellPaddingBlock: 8,
				rowHoverBg: palette['plum-wash'],
				borderColor: palette.hairline,
			},
			Segmented: { itemSelectedBg: palette.surface, itemSelectedColor: palette.ink, trackBg: palette.hover },
			Collapse: {
				headerBg: 'transparent',
				contentBg: 'transparent',
				headerPadding: '10px 0',
				contentPadding: '0 0 12px',
			},
			Tabs: { horizontalItemPadding: '10px 4px', itemColor: palette['soft-ink'] },
		},
	}
}

function colourTokens(palette: Palette): ThemeConfig['token'] {
	return {
		colorPrimary: palette.plum,
		colorPrimaryBg: palette['plum-wash'],
		colorPrimaryBgHover: palette['plum-wash'],
		colorPrimaryBorder: palette.plum,
		colorPrimaryHover: palette.plum,
		colorInfo: palette.leaf,
		colorInfoBg: palette.sage,
		colorInfoBorder: palette.leaf,
		colorSuccess: palette.leaf,
		colorSuccessBg: palette.sage,
		colorSuccessBorder: palette.leaf,
		colorWarning: palette.persimmon,
		colorWarningBg: palette['persimmon-wash'],
		colorWarningBorder: palette.persimmon,
		colorError: palette['persimmon-ink'],
		colorErrorBg: palette['persimmon-wash'],
		colorErrorBorder: palette.persimmon,
		colorText: palette.ink,
		colorTextSecondary: palette['soft-ink'],
		colorTextTertiary: palette['soft-ink'],
		colorTextPlaceholder: palette['soft-ink'],
		colorTextDescription: palette['soft-ink'],
		colorTextLightSolid: palette['on-plum'],
		colorWhite: palette['on-plum'],
		colorIcon: palette['soft-ink'],
		colorBgBase: palette.surface,
		colorBgContainer: palette.surface,
		colorBgElevated: palette.surface,
		colorBgLayout: palette.paper,
		colorBgSpotlight: palette.ink,
		colorBorder: palette.border,
		colorBorderSecondary: palette.hairline,
		colorSplit: palette.hairline,
		colorLink: palette.plum,
		controlItemBgHover: palette.hover,
		controlItemBgActive: palette['plum-wash'],
		controlItemBgActiveHover: palette['plum-wash'],
	}
}

const SIZE_TOKENS: ThemeConfig['token'] = {
	fontFamily: "'Figtree Variable', 'Segoe UI', sans-serif",
	fontSize: 15,
	fontSizeSM: 13,
	borderRadius: 10,
	controlOutlineWidth: 3,
	// A dialog that grows loses the press that comes before it has its size, and one whose animation is turned off by
	// the system's setting waits for its end for ever.
	motion: false,
	motionDurationFast: '0.1s',
	motionDurationMid: '0.15s',
	motionDurationSlow: '0.2s',
	wireframe: false,
}

function reachTokens({ control, small }: { control: number; small: number }): ThemeConfig['token'] {
	return { controlHeight: control, controlHeightSM: small }
}

/** What the server and the browser render by; the other lights and reaches differ in CSS variables alone. */
export const theme = makeTheme('day', 'desk')
