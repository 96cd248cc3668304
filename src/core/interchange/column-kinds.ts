import { CHEMISTRY_WORDS, FINISH_WORDS, KIND_WORDS, meant, OPACITY_WORDS } from './cell-words';
import type { ColumnKind } from './columns';

/** Columns of each kind of table, with the words that people head them by: English, German, French and Spanish. */

const kind = (field: string, title: string, words: string): ColumnKind => ({
  field,
  title,
  words: [field.replaceAll('_', ' '), ...words.split(',').map((word) => word.trim())].filter(Boolean),
});

const withWords = (column: ColumnKind, words: Parameters<typeof meant>[0]): ColumnKind => ({
  ...column,
  means: (cell) => meant(words, cell) !== null,
});

const COLOUR: readonly ColumnKind[] = [
  kind('l', 'L*', 'l*,lab l,cie l,lightness,helligkeit,luminosite,luminosidad'),
  kind('a', 'a*', 'a*,lab a,cie a'),
  kind('b', 'b*', 'b*,lab b,cie b'),
  kind('hex', 'screen colour', 'rgb,html,hex code,web colour,farbwert,couleur ecran'),
  kind('munsell', 'Munsell', 'munsell notation'),
  kind('reflectance', 'curve, 31 values', 'spectrum,spectral,spektrum,spectre,espectro'),
  kind('white', 'white of the Lab', 'illuminant,white point,normlicht,lichtart'),
  kind('sd', 'plus or minus', 'uncertainty,unsicherheit,incertitude,incertidumbre,plus minus'),
];

const LOOK: readonly ColumnKind[] = [
  withWords(kind('kind', 'kind', 'type,art,sorte,typ,genre,tipo'), KIND_WORDS),
  withWords(
    kind('finish', 'finish', 'sheen,gloss,glanz,glanzgrad,oberflache,oberflaeche,brillance,aspect,acabado,brillo'),
    FINISH_WORDS,
  ),
  kind('ground', 'ground of a metallic', 'undercoat,grundierung,appret,imprimacion'),
  kind('flop', 'darkens aslant', 'travel'),
];

export const CATALOGUE_COLUMNS: readonly ColumnKind[] = [
  kind(
    'line',
    'line of paints',
    'range,brand,maker,manufacturer,series,marke,hersteller,reihe,serie,farbreihe,marque,gamme,fabricant,marca,gama,fabricante',
  ),
  kind(
    'number',
    'number',
    'no,nr,ref,reference,code,paint code,item,sku,nummer,farbnummer,artikel,artikelnummer,numero,n,referencia,codigo',
  ),
  kind(
    'name',
    'name',
    'paint,colour,color,colour name,color name,title,farbe,farbton,farbname,bezeichnung,nom,couleur,teinte,peinture,nombre,tono,pintura',
  ),
  withWords(
    kind(
      'chemistry',
      'chemistry',
      'medium,base,binder,paint type,bindemittel,chemie,basis,farbart,liant,chimie,quimica,aglutinante',
    ),
    CHEMISTRY_WORDS,
  ),
  ...LOOK,
  withWords(
    kind('opacity', 'how it hides', 'hiding,coverage,deckkraft,opacite,couvrance,opacidad,cobertura'),
    OPACITY_WORDS,
  ),
  ...COLOUR,
  kind('contrast_ratio', 'contrast ratio', 'kontrastverhaltnis,rapport de contraste'),
  kind('tint14_l', 'one in four of white, L*', ''),
  kind('tint14_a', 'one in four of white, a*', ''),
  kind('tint14_b', 'one in four of white, b*', ''),
  kind('over_black', 'curve over black', ''),
  kind('over_white', 'curve over white', ''),
  kind(
    'size_ml',
    'bottle, ml',
    'size,volume,ml,bottle,bottle size,inhalt,menge,grosse,flasche,gebinde,contenance,taille,flacon,tamano,contenido,volumen,frasco',
  ),
  kind('price_cents', 'price in cents', 'cents,preis in cent'),
  kind('price', 'price', 'cost,eur,usd,gbp,preis,kosten,prix,cout,precio,coste'),
  kind('currency', 'currency', 'wahrung,waehrung,devise,monnaie,moneda,divisa'),
  kind(
    'claims',
    'codes it claims',
    'matches,standard,equivalent,equivalents,entspricht,norm,correspond,equivalence,equivale,equivalencia',
  ),
  kind('formerly', 'former numbers', 'old number,replaces,fruher,frueher,ancien numero,antes'),
  kind('thinner', 'thinner', 'verdunner,verduenner,diluant,diluyente'),
  kind('thin_ratio', 'thinner to one of paint', 'thinning,verdunnung,verduennung,dilution,dilucion'),
  kind('recoat_min', 'recoat, minutes', 'recoat'),
  kind('mask_min', 'mask, minutes', 'mask'),
  kind('cure_min', 'cured, minutes', 'cure,cured'),
  kind(
    'drawer_ml',
    'left in the drawer',
    'owned,have,stock,in stock,left,remaining,amount,drawer,bestand,vorrat,vorhanden,rest,habe,reste,en stock,existencias,restante,tengo',
  ),
  kind('bottles', 'bottles owned', 'quantity,qty,count,anzahl,stuck,stueck,quantite,cantidad,unidades'),
  kind('opened_on', 'opened on', 'opened,geoffnet,geoeffnet,ouvert,abierto'),
  kind('condition', 'condition of the bottle', 'state,zustand,etat,estado'),
  kind('scheme', 'scheme of a set', ''),
  kind('contents', 'numbers of a set', ''),
];

export const STANDARD_COLUMNS: readonly ColumnKind[] = [
  kind('code', 'code', 'number,no,nr,nummer,numero,codigo,farbnummer,colour code,color code'),
  kind('name', 'name', 'colour,color,colour name,color name,farbe,farbname,farbton,bezeichnung,nom,couleur,nombre'),
  ...LOOK,
  ...COLOUR,
  kind('origin', 'origin of the colour', 'herkunft,origine,origen'),
  kind('instrument', 'instrument', 'device,messgerat,messgeraet,appareil,instrumento'),
  kind('batch', 'batch', 'lot,charge,lote'),
  kind('note', 'note', 'notes,comment,remarks,bemerkung,notiz,remarque,commentaire,nota,comentario'),
  kind('superseded_by', 'replaced by', 'replaced by,ersetzt durch,remplace par,sustituido por'),
  kind('equivalent', 'equal to', 'equivalents,same as,entspricht,equivalence,equivalente'),
];

export const PART_COLUMNS: readonly ColumnKind[] = [
  kind('sprue', 'sprue', 'frame,tree,rahmen,spritzling,giessast,grappe,arbol,bastidor'),
  kind('number', 'number', 'no,nr,part,part no,part number,nummer,teil,teilenummer,numero,piece,pieza'),
  kind('name', 'name', 'description,what,bezeichnung,beschreibung,benennung,nom,designation,descripcion,nombre'),
  kind(
    'count',
    'count',
    'qty,quantity,amount,pieces,anzahl,stuck,stueck,menge,quantite,nombre de pieces,cantidad,unidades',
  ),
  kind('step', 'instruction step', 'instruction,instruction step,stage,schritt,bauschritt,baustufe,etape,paso,fase'),
  kind('zone', 'zone', 'where,place,location,ort,stelle,bereich,endroit,emplacement,zona,lugar'),
  kind('origin', 'origin', 'source,from,herkunft,quelle,origine,provenance,origen'),
  kind('set', 'set', 'set name,etched set,satz,jeu,juego'),
  kind('replaces', 'replaces', 'instead of,ersetzt,statt,remplace,sustituye,reemplaza'),
  kind('condition', 'condition', 'state,zustand,etat,estado'),
  kind('colours', 'colours', 'colour,color,colors,paint,farbe,farben,couleur,couleurs,pintura,colores'),
  kind('painted', 'painted', 'painting,bemalt,lackiert,peint,pintado'),
  kind('ordered_until', 'expected on', 'ordered,expected,bestellt,erwartet,commande,attendu,pedido,esperado'),
  kind('note', 'note', 'notes,comment,remarks,bemerkung,notiz,anmerkung,remarque,commentaire,nota,comentario'),
];

export const SOURCE_COLUMN_KINDS: readonly ColumnKind[] = [
  kind('title', 'title', 'source,name,what,titel,quelle,bezeichnung,titre,titulo,fuente'),
  kind('kind', 'kind', 'type,art,typ,sorte,genre,tipo'),
  kind('dated', 'date', 'date,when,year,datum,jahr,wann,annee,quand,fecha,ano,cuando'),
  kind('dated_from', 'dated from', 'from,since,date from,von,ab,seit,depuis,du,desde'),
  kind('dated_to', 'dated to', 'to,until,date to,bis,jusqu a,au,hasta'),
  kind('place', 'place', 'where,location,ort,wo,lieu,endroit,lugar'),
  kind(
    'citation',
    'citation',
    'author,publisher,book,reference,autor,verlag,nachweis,auteur,editeur,autor editorial,cita',
  ),
  kind('page', 'page', 'pages,p,seite,seiten,pagina,paginas'),
  kind('film', 'film', 'pellicule,pelicula'),
  kind('sides', 'sides shown', 'side,view,seite der maschine,ansicht,vue,cote,vista,lado'),
  kind('zones', 'zones shown', 'zone,shows,zeigt,bereiche,montre,zonas,muestra'),
  kind('derived_from', 'derived from', 'copied from,based on,nach,abgeleitet von,d apres,derive de,basado en'),
  kind('grade', 'grade', 'weight,quality,note der quelle,gewicht,poids,peso'),
  kind('grade_reason', 'reason for the grade', ''),
];
