import Papa from 'papaparse';
import { labToHex } from '@/core/colour/spaces';
import type { Lab } from '@/core/colour/types';
import { asCell } from '@/core/units/text';

/** Colours for other programs. */
export interface NamedColour {
  name: string;
  lab: Lab;
  /** dE00. */
  sd: number;
  origin: string;
}

/** A GIMP palette: screen colours only, so what no screen shows is said to be clipped. */
export function gimpPalette(title: string, colours: readonly NamedColour[]): string {
  const rows = colours.map(({ name, lab }) => {
    const { hex, inSrgb } = labToHex(lab);
    const [r, g, b] = [1, 3, 5].map((at) => String(parseInt(hex.slice(at, at + 2), 16)).padStart(3));
    return `${r} ${g} ${b}\t${name.replace(/[\r\n\t]+/g, ' ')}${inSrgb ? '' : ' (clipped to the screen)'}`;
  });
  return ['GIMP Palette', `Name: ${title.replace(/[\r\n]+/g, ' ')}`, 'Columns: 4', '#', ...rows, ''].join('\n');
}

/**
 * An Adobe swatch exchange file (version 1.0, big-endian): one colour entry each, model LAB with L* over 100, D50 being what readers
 * of the format expect. `toD50` converts.
 */
export function adobeSwatches(colours: readonly NamedColour[], toD50: (lab: Lab) => Lab): Uint8Array {
  const blocks = colours.map(({ name, lab }) => {
    const text = `${name}\0`;
    const [L, a, b] = toD50(lab);
    const length = 2 + 2 * text.length + 4 + 12 + 2;
    const view = new DataView(new ArrayBuffer(6 + length));
    view.setUint16(0, 0x0001);
    view.setUint32(2, length);
    view.setUint16(6, text.length);
    [...Array(text.length).keys()].forEach((i) => view.setUint16(8 + 2 * i, text.charCodeAt(i)));
    let at = 8 + 2 * text.length;
    [...'LAB '].forEach((sign, i) => view.setUint8(at + i, sign.charCodeAt(0)));
    at += 4;
    [L / 100, a, b].forEach((value, i) => view.setFloat32(at + 4 * i, value));
    // Kind of colour: 2 = normal.
    view.setUint16(at + 12, 2);
    return new Uint8Array(view.buffer);
  });
  const head = new DataView(new ArrayBuffer(12));
  [...'ASEF'].forEach((sign, i) => head.setUint8(i, sign.charCodeAt(0)));
  head.setUint16(4, 1);
  head.setUint16(6, 0);
  head.setUint32(8, blocks.length);
  const parts = [new Uint8Array(head.buffer), ...blocks];
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let offset = 0;
  for (const part of parts) {
    whole.set(part, offset);
    offset += part.length;
  }
  return whole;
}

/** Colours as a table: name, Lab, screen colour and whether it was clipped. */
export function colourTable(colours: readonly NamedColour[]): string {
  return Papa.unparse(
    colours.map(({ name, lab, sd, origin }) => {
      const { hex, inSrgb } = labToHex(lab);
      return {
        name: asCell(name),
        L: lab[0].toFixed(2),
        a: lab[1].toFixed(2),
        b: lab[2].toFixed(2),
        sd: sd.toFixed(2),
        origin,
        hex,
        in_srgb: inSrgb,
      };
    }),
  );
}

/** A cell that a spreadsheet would take for a formula is kept as text. */
