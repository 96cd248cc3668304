import { describe, expect, test } from '@jest/globals';
import { demoShelf } from './tables';

const STANDARD = 'code,name,finish,kind,L,a,b,origin,sd\nTCS 01,White,matt,solid,94,0,3,measured,0.4\n';
const CATALOGUE =
  'line,chemistry,number,name,kind,finish,opacity,L,a,b,sd,size_ml,price_cents,claims,drawer_ml,opened_on,condition\n' +
  'Hask,WA,1,White,solid,matt,opaque,93,0,2,0.5,17,300,TCS 01;TCS 02,5,2025-01-02,good\n' +
  'Hask,WA,2,Clear,clear,gloss,transparent,,,,0,17,300,,,,\n';

describe('the tables of the demo', () => {
  test('rows become codes with chips, lines with paints, and bottles where some is left', () => {
    const { codes, lines } = demoShelf({ 'standard.csv': STANDARD }, CATALOGUE);
    expect(codes[0]).toMatchObject({ code: { system: 'TCS', code: 'TCS 01' }, chips: [{ lab: [94, 0, 3], sd: 0.4 }] });
    expect(lines).toHaveLength(1);
    expect(lines[0]!.paints[0]).toMatchObject({
      paint: { claims: ['TCS 01', 'TCS 02'] },
      bottle: { mlLeft: 5, openedOn: '2025-01-02' },
    });
    expect(lines[0]!.paints[1]).toMatchObject({ paint: { lab: null, claims: [] }, bottle: null });
  });
  test('a row with too many fields, a colour that cannot be, a chemistry nobody knows are refused', () => {
    expect(() => demoShelf({ 'standard.csv': `${STANDARD}TCS 02,Grey${',x'.repeat(40)}\n` }, CATALOGUE)).toThrow();
    expect(() => demoShelf({ 'standard.csv': STANDARD.replace('94', '194') }, CATALOGUE)).toThrow(
      /L\* 194 is impossible/,
    );
    expect(() => demoShelf({ 'standard.csv': STANDARD }, CATALOGUE.replaceAll('WA', 'XX'))).toThrow(/Chemistry/);
  });
});
