import { theme as antTheme, type ThemeConfig } from 'antd';

export type ThemeName = 'light' | 'dark';

const colours = {
  light: {
    paper: '#f5f2eb',
    sheet: '#fffdf8',
    ink: '#23272c',
    soft: '#575c63',
    line: '#d8d1c3',
    accent: '#0d5c66',
    onAccent: '#ffffff',
    differs: '#9a3412',
  },
  dark: {
    paper: '#17191c',
    sheet: '#1f2226',
    ink: '#ebe7dd',
    soft: '#b1b0a8',
    line: '#383c42',
    accent: '#7fcdd0',
    onAccent: '#10262a',
    differs: '#f3a27a',
  },
} as const;

/** Ant Design under Ukko's own tokens; the same values as in tokens.css. */
export function themeConfig(name: ThemeName): ThemeConfig {
  const c = colours[name];
  return {
    algorithm:
      name === 'dark' ? [antTheme.darkAlgorithm, antTheme.compactAlgorithm] : antTheme.compactAlgorithm,
    token: {
      colorPrimary: c.accent,
      colorInfo: c.accent,
      colorLink: c.accent,
      colorError: c.differs,
      colorTextBase: c.ink,
      colorBgBase: c.sheet,
      colorBgLayout: c.paper,
      colorBgContainer: c.sheet,
      colorBorder: c.line,
      colorTextPlaceholder: c.soft,
      colorTextSecondary: c.soft,
      colorTextDescription: c.soft,
      colorTextLightSolid: c.onAccent,
      borderRadius: 3,
      fontFamily: 'var(--sans)',
      fontFamilyCode: 'var(--mono)',
      fontSize: 14,
      controlHeight: 30,
      wireframe: false,
      motion: false,
    },
    components: {
      Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 500 },
      Segmented: {
        trackBg: 'var(--well)',
        itemSelectedBg: name === 'dark' ? '#1d3a3d' : '#fffdf8',
        itemColor: c.ink,
        itemSelectedColor: c.ink,
      },
    },
  };
}
