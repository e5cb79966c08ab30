import { createSystem, defineConfig, defineRecipe } from "@chakra-ui/react";
import { defaultBaseConfig } from "@chakra-ui/react/preset-base";
import {
  breakpoints,
  buttonRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  fieldSlotRecipe,
  globalCss,
  headingRecipe,
  inputRecipe,
  keyframes,
  layerStyles,
  linkRecipe,
  semanticTokens,
  textareaRecipe,
  textStyles,
  tokens,
} from "@chakra-ui/react/theme";

// Colours by what they mean. Rail is what one does next, brass what is under
// way, brick only what is wrong or late, slate help and links.
const colours = {
  ground: ["#F6F3EC", "#1B2126"],
  sheet: ["#FFFFFF", "#232B31"],
  ink: ["#22303A", "#EDE8DC"],
  soft: ["#5B6770", "#AEB6B8"],
  line: ["#D9D2C3", "#3D474E"],
  rail: ["#2F6B5B", "#8CC7B4"],
  railSoft: ["#DCE8E2", "#2B4039"],
  onRail: ["#FFFFFF", "#14201C"],
  brass: ["#855A12", "#DDB46A"],
  brassSoft: ["#F3E6C9", "#463A21"],
  brick: ["#A8452F", "#EE9C86"],
  brickSoft: ["#F4DED7", "#4A2C24"],
  slate: ["#4A6A8A", "#9DBBD8"],
  slateSoft: ["#DEE6EE", "#2B3742"],
  shade: ["#F1EDE3", "#2E373D"],
  // Section tints: pale, few, and never without the letter and its edge.
  tint0: ["#E3ECDD", "#31402F"],
  tint1: ["#F6E3CF", "#4A3826"],
  tint2: ["#DFE6F2", "#2C3850"],
  tint3: ["#F0DDE4", "#482F3A"],
  tint4: ["#E6E0F0", "#393150"],
  tint5: ["#DDEBEC", "#27403F"],
} as const;

const semantic = Object.fromEntries(
  Object.entries(colours).map(([name, [light, dark]]) => [
    name,
    { value: { base: light, _dark: dark } },
  ]),
);

// Fields show where one types in the colour of help.
const fields = {
  gray: { focusRing: { value: { base: colours.slate[0], _dark: colours.slate[1] } } },
};

const button = defineRecipe({
  base: {
    fontWeight: 600,
    borderRadius: "4px",
    borderWidth: "1px",
    cursor: "pointer",
    minH: "36px",
    px: "14px",
    gap: "8px",
    transition: "background 120ms",
    _focusVisible: { outline: "3px solid", outlineColor: "slate", outlineOffset: "2px" },
    _disabled: { opacity: 0.55, cursor: "not-allowed" },
  },
  variants: {
    variant: {
      go: {
        bg: "rail",
        borderColor: "rail",
        color: "onRail",
        _hover: { filter: "brightness(0.93)" },
      },
      plain: { bg: "sheet", borderColor: "line", color: "ink", _hover: { bg: "shade" } },
      // Pressed while it holds.
      toggle: {
        bg: "sheet",
        borderColor: "line",
        color: "ink",
        _hover: { bg: "shade" },
        "&[aria-pressed=true]": { bg: "ink", color: "sheet", borderColor: "ink" },
      },
      quiet: {
        bg: "transparent",
        borderColor: "transparent",
        color: "slate",
        px: "6px",
        _hover: { bg: "slateSoft" },
      },
    },
    size: {
      md: { fontSize: "md", h: "auto", py: "6px" },
      sm: { fontSize: "sm", h: "auto", minH: "30px", px: "10px", py: "3px" },
      xs: { fontSize: "sm", h: "auto", minH: "26px", px: "8px", py: "1px" },
    },
  },
  defaultVariants: { variant: "plain" as never, size: "md" as never },
});

// The library's own theme with only the recipes that are used: a family's phone
// carries no menus and sliders.
const library = defineConfig({
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    layerStyles,
    tokens,
    semanticTokens,
    textStyles,
    recipes: {
      button: buttonRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      link: linkRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: { field: fieldSlotRecipe },
  },
});

const FINGER = "@media (pointer: coarse)";
const PHONE = "@media (max-width: 480px)";

const config = defineConfig({
  globalCss: {
    html: { fontSize: "100%", bg: "ground" },
    // The second type size, for reading from the piano bench.
    "html[data-size=piano]": { fontSize: "125%" },
    body: {
      bg: "ground",
      color: "ink",
      fontSize: "md",
      lineHeight: 1.4,
      fontVariantNumeric: "tabular-nums",
    },
    "*:focus-visible": { outline: "3px solid", outlineColor: "slate", outlineOffset: "2px" },
    "*, *::before, *::after": {
      _motionReduce: { transition: "none !important", animation: "none !important" },
    },
    input: { accentColor: "rail" },
    // What a finger is to hit is as large as a fingertip.
    "button, select, summary, [role=tab], input:not([type=checkbox], [type=radio])": {
      [FINGER]: { minHeight: "44px !important" },
    },
    "button, [role=tab]": { [FINGER]: { minWidth: "44px !important" } },
    "label:has(> input[type=checkbox]), label:has(> input[type=radio])": {
      [FINGER]: { minHeight: "44px", display: "inline-flex", alignItems: "center" },
    },
    "input[type=checkbox], input[type=radio]": { [FINGER]: { width: "22px", height: "22px" } },
    // On a phone with large text a button has two lines rather than the page two screens.
    button: { [PHONE]: { whiteSpace: "normal !important", maxWidth: "100%" } },
    "input, select, textarea": { [PHONE]: { maxWidth: "100%" } },
    "h1, h2, h3": { overflowWrap: "anywhere" },
    kbd: {
      fontFamily: "body",
      fontSize: "0.75rem",
      fontWeight: 650,
      border: "1px solid",
      borderColor: "line",
      borderBottomWidth: "2px",
      borderRadius: "3px",
      px: "5px",
      bg: "sheet",
    },
    "html, body": { _print: { bg: "white", color: "black" } },
    ".no-print": { _print: { display: "none !important" } },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
      },
      fontSizes: {
        sm: { value: "0.8125rem" },
        md: { value: "0.9375rem" },
        lg: { value: "1.125rem" },
        xl: { value: "1.5rem" },
        "2xl": { value: "2rem" },
      },
    },
    semanticTokens: { colors: { ...semantic, ...fields } },
    recipes: { button },
  },
});

export const system = createSystem(defaultBaseConfig, library, config);

/** A colour of the theme for SVG attributes. */
export const colour = (name: keyof typeof colours) =>
  `var(--chakra-colors-${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)})`;

const TINTS = ["tint0", "tint1", "tint2", "tint3", "tint4", "tint5"] as const;
const EDGES = ["0", "7 3", "2 3", "10 3 2 3", "1 5", "14 4"];
const place = (label: string) => (label.toUpperCase().codePointAt(0) ?? 65) - 65;
const wrap = (at: number) => ((at % TINTS.length) + TINTS.length) % TINTS.length;

/** A section's pale colour, by its first letter. */
export const tintOf = (label: string) => colour(TINTS[wrap(place(label))] ?? "tint0");

/** A section's edge pattern, so that colour never stands alone. */
export const edgeOf = (label: string) => EDGES[wrap(place(label) + (label.length > 1 ? 1 : 0))];

const LINES = ["solid", "dashed", "dotted", "dashed", "dotted", "dashed"] as const;
/** The same for a border. */
export const lineOf = (label: string) => LINES[wrap(place(label) + (label.length > 1 ? 1 : 0))];
