import path from 'node:path';

const font = (family: string, weight: string, name: string) =>
  path.join(process.cwd(), 'node_modules', '@expo-google-fonts', family, weight, `${name}.ttf`);

/** The fonts that the application ships, complete: for paper, and as faces of lettering. */
export const FONT_FILES = {
  condensed: font('barlow-condensed', '600SemiBold', 'BarlowCondensed_600SemiBold'),
  regular: font('atkinson-hyperlegible', '400Regular', 'AtkinsonHyperlegible_400Regular'),
  bold: font('atkinson-hyperlegible', '700Bold', 'AtkinsonHyperlegible_700Bold'),
} as const;
