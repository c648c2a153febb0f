import { createTheme } from "@mui/material/styles";

declare module "@mui/material/styles" {
  interface Palette {
    iron: string;
    slate: string;
    verdigris: string;
    moss: string;
    rust: string;
    brass: string;
    heather: string;
    mist: string;
    bar: string;
  }
  interface PaletteOptions {
    iron?: string;
    slate?: string;
    verdigris?: string;
    moss?: string;
    rust?: string;
    brass?: string;
    heather?: string;
    mist?: string;
    bar?: string;
  }
}

declare module "@mui/material/Button" {
  interface ButtonPropsSizeOverrides {
    low: true;
  }
}

export const MONO = '"JetBrains Mono Variable", monospace';

const light = {
  iron: "#23292C",
  slate: "#566065",
  verdigris: "#2A7062",
  moss: "#86A873",
  rust: "#A84A22",
  brass: "#8A6416",
  heather: "#6C5A8C",
  mist: "#DDE3E1",
  bar: "#23292C",
};

const dark = {
  iron: "#E9E6DF",
  slate: "#A6B0B3",
  verdigris: "#63B7A5",
  moss: "#6E8F5F",
  rust: "#E08457",
  brass: "#D9AE5B",
  heather: "#B5A4D3",
  mist: "#3A4347",
  bar: "#14181A",
};

/**
 * Iron on calm paper. Brass, rust, slate and heather are a shade darker than the palette's first drawing, so that text
 * in them reaches 4.5:1 on paper (WCAG 2.2, 1.4.3).
 */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "media" },
  colorSchemes: {
    light: {
      palette: {
        ...light,
        background: { default: "#F7F4EE", paper: "#FFFDF9" },
        text: { primary: light.iron, secondary: light.slate },
        primary: { main: light.verdigris, contrastText: "#FFFFFF" },
        error: { main: light.rust },
        divider: light.mist,
      },
    },
    dark: {
      palette: {
        ...dark,
        background: { default: "#1B2023", paper: "#22292C" },
        text: { primary: dark.iron, secondary: dark.slate },
        primary: { main: dark.verdigris, contrastText: "#10201C" },
        error: { main: dark.rust },
        divider: dark.mist,
      },
    },
  },
  shape: { borderRadius: 4 },
  typography: {
    fontFamily: '"Hanken Grotesk Variable", sans-serif',
    fontSize: 13.5,
    htmlFontSize: 16,
    body1: { fontSize: 13.5 },
    body2: { fontSize: 12 },
    h1: { fontSize: 20, fontWeight: 650, letterSpacing: 0 },
    h2: { fontSize: 15, fontWeight: 650 },
    button: { textTransform: "none", fontWeight: 600, fontSize: 13.5 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: "tabular-nums", overflow: "hidden" },
        a: { color: "inherit" },
        // Of tables with thousands of choices, where a menu of MUI each would be too heavy.
        select: {
          font: "inherit",
          fontSize: 12,
          color: "inherit",
          padding: "2px 4px",
          border: "1px solid var(--mui-palette-divider)",
          borderRadius: 4,
          backgroundColor: "var(--mui-palette-background-paper)",
        },
        "*:focus-visible": { outline: "2px solid var(--mui-palette-verdigris)", outlineOffset: 2 },
        "@media (prefers-reduced-motion: reduce)": {
          "*": { transition: "none !important", animation: "none !important" },
        },
      },
    },
    MuiStack: { defaultProps: { useFlexGap: true } },
    MuiButton: {
      defaultProps: { disableElevation: true, size: "small" },
      // As wide as a small one, and as high as the line that it stands in.
      variants: [
        { props: { size: "low" }, style: { padding: "0 5px", fontSize: "0.8125rem" } },
        { props: { size: "low", variant: "outlined" }, style: { padding: "0 9px" } },
        { props: { size: "low", variant: "contained" }, style: { padding: "0 10px" } },
      ],
    },
    MuiTextField: { defaultProps: { size: "small", fullWidth: true } },
    MuiTooltip: { defaultProps: { arrow: true } },
  },
});
