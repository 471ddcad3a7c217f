import type { GlobalThemeOverrides } from 'naive-ui';
import type { Tokens } from './tokens.ts';

/** px. Large enough for gloves. */
const HEIGHT = '44px';

/** The library's theme from our colours: one size, one radius, one strong colour. */
export function themeOf(tokens: Tokens | undefined): GlobalThemeOverrides {
  const sizes = { heightSmall: HEIGHT, heightMedium: HEIGHT, heightLarge: HEIGHT };
  const fonts = { fontFamily: "'Barlow', system-ui, sans-serif", fontFamilyMono: "'DM Mono', monospace" };
  if (!tokens) return { common: { ...sizes, ...fonts } };
  const { mark, ink, card } = tokens;
  const [soft, line, strong, alarm, good] = [
    tokens['ink-soft'],
    tokens.line,
    tokens['line-strong'],
    tokens.alarm,
    tokens.good,
  ];
  const all = (name: string, value: string) =>
    Object.fromEntries(['', 'Hover', 'Pressed', 'Suppl'].map((state) => [`${name}Color${state}`, value]));
  return {
    common: {
      ...sizes,
      ...fonts,
      ...all('primary', mark),
      ...all('info', mark),
      ...all('error', alarm),
      ...all('warning', alarm),
      ...all('success', good),
      borderRadius: '8px',
      borderColor: strong,
      dividerColor: line,
      textColorBase: ink,
      textColor1: ink,
      textColor2: ink,
      textColor3: soft,
      placeholderColor: soft,
      bodyColor: tokens.paper,
      cardColor: card,
      modalColor: card,
      popoverColor: card,
      tableColor: card,
      inputColor: card,
      baseColor: tokens['mark-ink'],
      fontSize: '16px',
      fontSizeSmall: '15px',
      fontSizeMedium: '16px',
      fontSizeLarge: '16px',
      opacityDisabled: '0.5',
    },
    Button: {
      fontWeight: '500',
      color: card,
      colorHover: card,
      colorPressed: card,
      colorFocus: card,
      colorDisabled: card,
      textColor: ink,
      textColorHover: ink,
      textColorPressed: ink,
      textColorFocus: ink,
      border: `1px solid ${strong}`,
      borderHover: `1px solid ${mark}`,
      borderPressed: `1px solid ${mark}`,
      borderFocus: `1px solid ${mark}`,
      borderDisabled: `1px solid ${strong}`,
      rippleColor: mark,
    },
    Input: {
      border: `1px solid ${strong}`,
      borderError: `1px solid ${alarm}`,
      textColor: ink,
      caretColor: mark,
      boxShadowFocus: `0 0 0 2px ${mark}`,
      boxShadowFocusError: `0 0 0 2px ${alarm}`,
    },
    Form: {
      labelTextColor: ink,
      labelFontWeight: '500',
      labelFontSizeTopMedium: '14.5px',
      labelHeightMedium: '22px',
      labelPaddingVertical: '0 0 3px 0',
      feedbackPadding: '3px 0 0 0',
      feedbackFontSizeMedium: '13.5px',
      feedbackHeightMedium: '0px',
      blankHeightMedium: HEIGHT,
    },
    Radio: {
      buttonColor: card,
      buttonTextColor: ink,
      buttonBorderColor: strong,
      buttonBorderColorActive: mark,
      buttonBorderColorHover: mark,
      buttonColorActive: mark,
      buttonTextColorActive: tokens['mark-ink'],
      buttonTextColorHover: ink,
      buttonBoxShadowFocus: 'none',
    },
    Checkbox: { sizeMedium: '24px', border: `2px solid ${strong}`, borderRadius: '5px', color: card },
    Table: {
      tdColor: 'transparent',
      tdColorModal: 'transparent',
      thColor: 'transparent',
      thColorModal: 'transparent',
      borderColor: line,
      borderColorModal: line,
      thTextColor: soft,
      thFontWeight: '600',
      thPaddingMedium: '0.35rem 0.5rem',
      tdPaddingMedium: '0.4rem 0.5rem',
      fontSizeMedium: '14.7px',
    },
    Message: { color: card, textColor: ink, fontSize: '15px', maxWidth: 'min(720px, 92vw)' },
  };
}
