import { describe, expect, test } from '@jest/globals';
import { numbers } from '@tests/support/made-up';
import { paintOf } from '@tests/support/paints';
import { asTableSays, catalogueChanges, NO_LINE, readCatalogue } from './catalogue-csv';
import { CHEMISTRY_WORDS, FINISH_WORDS, KIND_WORDS, meant, OPACITY_WORDS, priceWritten, shareLeft } from './cell-words';
import { CATALOGUE_COLUMNS, PART_COLUMNS, SOURCE_COLUMN_KINDS, STANDARD_COLUMNS } from './column-kinds';
import { guessColumns, plainHead } from './columns';
import { decodeText, type Encoding } from './decode';
import { readAs } from './table';

const TABLES = { CATALOGUE_COLUMNS, STANDARD_COLUMNS, PART_COLUMNS, SOURCE_COLUMN_KINDS };

describe('headings', () => {
  test.each([
    ['Preis (€)', 'preis'],
    ['Größe', 'grosse'],
    ['  N° ', 'n'],
    ['Référence', 'reference'],
    ['size_ml', 'size ml'],
    ['L*', 'l*'],
  ])('%s is compared as "%s"', (head, plain) => expect(plainHead(head)).toBe(plain));

  test.each(Object.entries(TABLES))('no word of %s heads two kinds of column', (_, kinds) => {
    const words = kinds.flatMap((kind) => [...new Set(kind.words)]);
    expect(words.filter((word, i) => words.indexOf(word) !== i)).toEqual([]);
  });

  test.each(Object.entries(TABLES))('every word of %s is written as headings are compared', (_, kinds) => {
    for (const { words } of kinds) for (const word of words) expect(plainHead(word)).toBe(word);
  });

  test.each([
    [
      'German',
      'Hersteller;Farbnummer;Farbton;Bindemittel;Inhalt;Preis;Bestand',
      ['line', 'number', 'name', 'chemistry', 'size_ml', 'price', 'drawer_ml'],
    ],
    [
      'French',
      'Marque;Référence;Teinte;Liant;Contenance;Prix;En stock',
      ['line', 'number', 'name', 'chemistry', 'size_ml', 'price', 'drawer_ml'],
    ],
    [
      'Spanish',
      'Marca;Referencia;Tono;Aglutinante;Tamaño;Precio;Existencias',
      ['line', 'number', 'name', 'chemistry', 'size_ml', 'price', 'drawer_ml'],
    ],
  ])('in %s are understood', (_, heads, fields) =>
    expect(guessColumns(heads.split(';'), CATALOGUE_COLUMNS)).toEqual(fields),
  );

  test('what stands in a column decides where its heading may be two things', () => {
    const table = (cells: string) => readAs(`Farbton;Art\nSleet;${cells}\n`, CATALOGUE_COLUMNS).shape.reading.columns;
    expect(table('Emaille')).toEqual(['name', 'chemistry']);
    expect(table('Klarlack')).toEqual(['name', 'kind']);
    expect(table('')).toEqual(['name', 'kind']);
    // What is no word of anything stays as its heading has it, and is told.
    expect(table('treacle')).toEqual(['name', 'kind']);
  });

  test('no field has two columns: the heading that fits best has it', () => {
    expect(guessColumns(['Shop name', 'Name'], CATALOGUE_COLUMNS)).toEqual(['', 'name']);
    expect(guessColumns(['Name of the paint', 'Shelf'], CATALOGUE_COLUMNS)).toEqual(['name', '']);
  });
});

describe('words in cells', () => {
  test.each([
    ['Enamel', 'EN'],
    ['Lack', 'AL'],
    ['laque', 'AL'],
    ['acrílico', 'WA'],
    ['Acryl', 'WA'],
    ['Öl', 'OI'],
    ['alcohol acrylic', 'SA'],
    ['EN', 'EN'],
    ['treacle', null],
  ])('the chemistry “%s” is %s', (cell, chemistry) => expect(meant(CHEMISTRY_WORDS, cell)).toBe(chemistry));

  test.each([
    ['seidenmatt', 'satin'],
    ['Flat', 'matt'],
    ['brillant', 'gloss'],
    ['semi-gloss', 'satin'],
  ])('the finish “%s” is %s', (cell, finish) => expect(meant(FINISH_WORDS, cell)).toBe(finish));

  test('no word means two things', () => {
    for (const table of [CHEMISTRY_WORDS, FINISH_WORDS, KIND_WORDS, OPACITY_WORDS]) {
      const all = (table as readonly (readonly [string, readonly string[]])[]).flatMap(([, words]) => words);
      expect(all.filter((word, i) => all.indexOf(word) !== i)).toEqual([]);
      for (const word of all) expect(plainHead(word)).toBe(word);
    }
  });

  test.each([
    ['4,50 €', '4,50', 'EUR'],
    ['GBP 3.20', '3.20', 'GBP'],
    ['$4', '4', 'USD'],
    ['3.20', '3.20', ''],
    ['12,- €', '12', 'EUR'],
  ])('the price “%s”', (cell, figure, currency) => expect(priceWritten(cell)).toEqual({ figure, currency }));

  test('a price that is a word is none', () => expect(priceWritten('free')).toBeNull());

  test.each([
    ['x', 1],
    ['ja', 1],
    ['half', 0.5],
    ['halb voll', 0.5],
    ['nein', 0],
    ['12', null],
  ])('of a bottle “%s” is left: %s', (cell, share) => expect(shareLeft(cell)).toBe(share));
});

describe('names only', () => {
  test('a list of names is taken, one paint each, and what is missing stays missing', () => {
    const { rows, faults, understood } = readCatalogue('Trainer yellow\nMatt black\nSilver dope\n');
    expect(faults).toEqual([]);
    expect(rows.map(({ paint }) => paint.number)).toEqual(['Trainer yellow', 'Matt black', 'Silver dope']);
    expect(rows[0]!.line.name).toBe(NO_LINE);
    expect(rows[0]!.paint).toMatchObject({ lab: null, priceCents: null, name: '' });
    expect(understood.join('; ')).toContain('3 without a colour');
  });

  test('what holds for all rows is said once', () => {
    const { rows } = readCatalogue('Trainer yellow\nMatt black\n', {
      isHeadless: true,
      columns: ['name'],
      all: { chemistry: 'enamel', drawer_ml: 'yes', line: 'Grandfather’s tins', size_ml: '14 ml' },
    });
    expect(rows.map(({ line, bottle }) => [line.name, line.chemistry, bottle?.mlLeft])).toEqual([
      ['Grandfather’s tins', 'EN', 14],
      ['Grandfather’s tins', 'EN', 14],
    ]);
  });

  test('two bottles are two, half a bottle is half', () => {
    const { rows } = readCatalogue('name,size,quantity\nA,20,2\nB,20,1/2\nC,20,half\n');
    expect(rows.map(({ paint, bottle }) => [paint.number, bottle?.mlLeft])).toEqual([
      ['A', 40],
      ['C', 10],
    ]);
  });

  test('several columns without a heading are rows where a figure stands in the first; words alone are headings that nobody knows', () => {
    const shape = (text: string) => readAs(text, CATALOGUE_COLUMNS).shape.reading;
    expect(shape('Sleet,17\nPeat,14\n')).toMatchObject({ isHeadless: true, columns: ['name', ''] });
    expect(shape('shelf,mood\n3,good\n')).toMatchObject({ isHeadless: false, columns: ['', ''] });
    expect(readCatalogue('shelf,mood\n3,good\n')).toMatchObject({ rows: [], faults: [{ row: 1 }, {}] });
  });

  test('a column that is left out changes nothing', () => {
    const text = 'name,price\nA,free\n';
    expect(readCatalogue(text).faults).toHaveLength(1);
    const left = readCatalogue(text, { isHeadless: false, columns: ['name', ''], all: {} });
    expect([left.faults, left.rows[0]!.paint.priceCents]).toEqual([[], null]);
  });
});

describe('paints that are there', () => {
  const now = paintOf({
    id: 'p',
    line: 'Hask',
    number: '9',
    name: 'Coal',
    lab: [20, 0, 0],
    priceCents: 290,
    sizeMl: 14,
  });
  const asGiven = (claims: readonly string[]) => [...claims];

  test('keep what the table does not say', () => {
    const [row] = readCatalogue('line,number,price\nHask,9,3.50\n').rows;
    const { lineId: _, ...fields } = { ...now, lineId: '' };
    expect(asTableSays(fields as never, row!)).toMatchObject({
      name: 'Coal',
      lab: [20, 0, 0],
      sizeMl: 14,
      priceCents: 350,
    });
  });

  test('show what would change, old beside new, and nothing else', () => {
    const { rows } = readCatalogue('line;number;price;finish\nHask;9;3,50;\nHask;10;1;matt\n');
    expect(catalogueChanges(rows, [now], asGiven)).toEqual([
      { label: 'Hask 9', field: 'price in cents', before: '290', after: '350' },
    ]);
    expect(catalogueChanges(readCatalogue('line;number\nHask;9\n').rows, [now], asGiven)).toEqual([]);
  });
});

/** A table as somebody might keep it: any headings of four languages, in any order, with any separator, mark and encoding. */
function madeUpTable(seed: number) {
  const random = numbers(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const wordFor = (field: string) => pick(CATALOGUE_COLUMNS.find((kind) => kind.field === field)!.words);
  const separator = pick([',', ';', '\t', '|']);
  const comma = separator !== ',' && random() < 0.5;
  const figure = (value: number, digits: number) => {
    const text = value.toFixed(digits);
    return comma ? text.replace('.', ',') : text;
  };
  const optional = ['chemistry', 'finish', 'size_ml', 'price', 'drawer_ml', 'lab', 'claims'].filter(
    () => random() < 0.6,
  );
  const fields = [
    'line',
    'number',
    'name',
    ...optional.flatMap((field) => (field === 'lab' ? ['l', 'a', 'b'] : [field])),
  ];
  const order = [...fields, ...(random() < 0.5 ? ['unknown'] : [])].sort(() => random() - 0.5);
  const chemistry = pick(CHEMISTRY_WORDS);
  const paints = Array.from({ length: 3 + Math.floor(random() * 5) }, (_, i) => ({
    line: 'Grünwerk',
    number: `${100 + i}`,
    name: `Farbe né ${i}`,
    finish: pick(FINISH_WORDS),
    size: 10 + Math.floor(random() * 20),
    price: Math.round(100 + random() * 600),
    left: Math.round(random() * 100) / 10,
    lab: [20 + random() * 60, random() * 40 - 20, random() * 40 - 20].map((v) => Math.round(v * 10) / 10),
    claims: [`TCS ${i}`],
    says: (field: string) => random() < 0.8 || field === 'number' || field === 'line',
  }));
  const expected = paints.map((paint) => {
    const said = new Set(optional.filter((field) => paint.says(field)));
    const cells: Record<string, string> = {
      line: paint.line,
      number: paint.number,
      name: paint.name,
      chemistry: pick(chemistry[1]),
      finish: said.has('finish') ? pick(paint.finish[1]) : '',
      size_ml: said.has('size_ml') ? `${paint.size}${pick(['', ' ml'])}` : '',
      price: said.has('price') ? `${figure(paint.price / 100, 2)}${pick(['', ' €'])}` : '',
      drawer_ml: said.has('drawer_ml') ? figure(paint.left, 1) : '',
      l: said.has('lab') ? figure(paint.lab[0]!, 1) : '',
      a: said.has('lab') ? figure(paint.lab[1]!, 1) : '',
      b: said.has('lab') ? figure(paint.lab[2]!, 1) : '',
      claims: said.has('claims') ? paint.claims[0]! : '',
      unknown: 'Regal 3',
    };
    return { paint, said, cells };
  });
  const accented = (word: string) => (random() < 0.3 ? word.toUpperCase() : word);
  const heads = order.map((field) => (field === 'unknown' ? 'Regal' : accented(wordFor(field))));
  const quoted = (cell: string) => (cell.includes(separator) ? `"${cell}"` : cell);
  const text = [heads, ...expected.map(({ cells }) => order.map((field) => quoted(cells[field]!)))]
    .map((cells) => cells.join(separator))
    .join(pick(['\n', '\r\n']));
  const encoding = pick<Encoding>(['utf-8', 'windows-1252', 'utf-16le']);
  return { text, encoding, expected, chemistry: chemistry[0], has: new Set(optional) };
}

const bytesOf = (text: string, encoding: Encoding) =>
  encoding === 'utf-8'
    ? Buffer.from(text)
    : encoding === 'utf-16le'
      ? Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from(text, 'utf16le')])
      : Buffer.from(text.replace('€', '\u0080'), 'latin1');

describe('forty tables as they come', () => {
  test.each(Array.from({ length: 40 }, (_, i) => i + 1))('table %i is taken without a wrong value', (seed) => {
    const { text, encoding, expected, chemistry, has } = madeUpTable(seed);
    const decoded = decodeText(bytesOf(text.replaceAll('€', '€'), encoding), encoding === 'utf-8' ? null : encoding);
    if (!('text' in decoded)) throw new Error(decoded.asks);
    const { rows, faults } = readCatalogue(decoded.text);
    expect(faults).toEqual([]);
    expect(rows).toHaveLength(expected.length);
    rows.forEach(({ line, paint, bottle, given }, i) => {
      const { paint: real, said } = expected[i]!;
      expect(line.name).toBe(real.line);
      if (has.has('chemistry')) expect(line.chemistry).toBe(chemistry);
      expect([paint.number, paint.name]).toEqual([real.number, real.name]);
      expect(paint.priceCents).toBe(said.has('price') ? real.price : null);
      expect(paint.lab).toEqual(said.has('lab') ? real.lab : null);
      expect(paint.claims).toEqual(said.has('claims') ? real.claims : []);
      if (said.has('finish')) expect(paint.finish).toBe(real.finish[0]);
      if (said.has('size_ml')) expect(paint.sizeMl).toBe(real.size);
      expect(bottle?.mlLeft ?? null).toBe(said.has('drawer_ml') ? real.left : null);
      expect(given.includes('finish')).toBe(said.has('finish'));
      expect(given.includes('sizeMl')).toBe(said.has('size_ml'));
    });
  });

  test('what the columns are taken for is shown over the first rows', () => {
    const { shape } = readAs('Farbton;Regal\nSleet;3\nPeat;4\n', CATALOGUE_COLUMNS);
    expect(shape.heads).toEqual(['Farbton', 'Regal']);
    expect(shape.reading).toEqual({ isHeadless: false, columns: ['name', ''], all: {} });
    expect(shape.sample).toEqual([
      ['Sleet', '3'],
      ['Peat', '4'],
    ]);
  });
});
