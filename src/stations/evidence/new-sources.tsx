'use client';

import Button from '@mui/material/Button';
import { useMemo, useState, type ReactNode } from 'react';
import { save } from '@/actions/records';
import { addSources, lookAtSources, takeSources } from '@/actions/evidence';
import { BLANK_SOURCE } from '@/core/kept/blank';
import { NOTHING_LAID } from '@/core/skin/camera/kept-camera';
import type { Kept } from '@/core/kept/records';
import { Opened } from '@/ui/opened';
import { fullDay } from '@/ui/dates';
import { readDates } from '@/core/units/date-words';
import { counted } from '@/core/units/words';
import { TableIn } from '@/stations/shell/table-in';
import { RecordForm } from '@/ui/fields';
import { useSaving } from '@/ui/saving';
import type { EvidencePage } from './page-data';
import { PictureDrop, type TakenPicture } from '@/ui/picture-drop';
import { datesUnderstood, filmOptions, kindOptions, sourceFieldSpecs, withDates } from './source-form';
import './evidence.css';

interface Draft {
  picture: TakenPicture;
  title: string;
  kind: Kept<'source'>['kind'];
  film: Kept<'source'>['film'];
  /** As it is known, in words or figures. */
  dated: string;
}

/** New sources: one with all its particulars, or many pictures at once with what tells them apart. */
export function NewSources({
  data,
  given,
  onClose,
  onAdded,
}: {
  data: EvidencePage;
  /** Pictures that were dropped or pasted somewhere at the station. */
  given?: readonly File[];
  onClose: () => void;
  onAdded: () => void;
}): ReactNode {
  const [drafts, setDrafts] = useState<Draft[]>([]);
  const [listing, setListing] = useState(false);
  /** The picture is of the machine itself, not of a print of it: its lens is that of the camera. */
  const [lensOf, setLensOf] = useState<string | null>(null);
  const take = (picture: TakenPicture) =>
    setDrafts((was) => [...was, { picture, title: picture.name, kind: 'photograph', film: 'unknown', dated: '' }]);
  const [only] = drafts;
  const offered = useMemo(
    () => only && { title: only.title, dated: only.dated, page: only.picture.page?.toString() },
    [only],
  );
  if (listing)
    return (
      <TableIn
        title="Sources from a list"
        says="Any table of sources, or their titles one in a line: title, kind, date, place, citation, page."
        look={(table) => lookAtSources({ briefId: data.briefId, ...table })}
        take={(table, act) => takeSources({ act, briefId: data.briefId, ...table })}
        said={({ sources, left }) =>
          `${counted(sources, 'source')} added${left > 0 ? `, ${left} left out: they are there already, or derive from what is not` : ''}`
        }
        onDone={onAdded}
        onClose={onClose}
      />
    );
  return (
    <Opened label="New source" onClose={onClose}>
      <h2 style={{ marginTop: 0 }}>{drafts.length > 1 ? `${drafts.length} new sources` : 'New source'}</h2>
      <PictureDrop
        multiple
        given={given}
        onPicture={take}
        says={
          drafts.length > 0
            ? 'Drop more to add them'
            : 'Drop pictures here, paste one, or press Enter to choose files. A citation without a picture will do too.'
        }
      >
        {drafts.length === 1 ? (
          <img src={`/pictures/${only!.picture.id}?size=thumbnail`} alt="The picture of this source" height={110} />
        ) : null}
      </PictureDrop>
      {drafts.length === 0 ? (
        <p>
          <button type="button" className="row-button" onClick={() => setListing(true)}>
            Several at once: from a table or a list
          </button>
        </p>
      ) : null}
      {drafts.length > 1 ? (
        <ManyPictures data={data} drafts={drafts} onDrafts={setDrafts} onClose={onClose} onAdded={onAdded} />
      ) : (
        <>
          {only?.picture.takenOn ? (
            <OfferedDay day={only.picture.takenOn} onTake={(day) => setDrafts([{ ...only, dated: day }])} />
          ) : null}
          {only?.picture.lens ? (
            <p className="offered">
              <label>
                <input
                  type="checkbox"
                  checked={lensOf === only.picture.id}
                  onChange={({ target }) => setLensOf(target.checked ? only.picture.id : null)}
                />{' '}
                The file names the lens, {(only.picture.lens.focalPx / only.picture.lens.width).toFixed(2)} widths long.
                It was this camera that stood before the machine, not one that took a print: the lens is known when the
                machine is laid over it.
              </label>
            </p>
          ) : null}
          <RecordForm
            fields={sourceFieldSpecs(data, null)}
            initial={{ ...BLANK_SOURCE, dated: '' }}
            offered={offered}
            version={null}
            focus="title"
            saveLabel="Add the source"
            saved="Source added"
            submit={(values, _, act) =>
              withDates(values, (fields) =>
                save({
                  act,
                  briefId: data.briefId,
                  station: 'evidence',
                  entity: 'source',
                  id: null,
                  version: null,
                  fields: {
                    ...BLANK_SOURCE,
                    ...fields,
                    pictureId: only?.picture.id ?? null,
                    camera:
                      only?.picture.lens && lensOf === only.picture.id
                        ? { ...NOTHING_LAID, ...only.picture.lens }
                        : null,
                  },
                }),
              )
            }
            onDone={onAdded}
            onCancel={onClose}
          />
        </>
      )}
    </Opened>
  );
}

/** The day a camera wrote into the file: a scan carries the scanner's, so the builder decides. */
function OfferedDay({ day, onTake }: { day: string; onTake: (day: string) => void }): ReactNode {
  return (
    <p className="offered">
      The file says {fullDay(day)} (of a scan that is the scanner’s day).{' '}
      <button type="button" className="row-button" onClick={() => onTake(day)}>
        Use {fullDay(day)}
      </button>
    </p>
  );
}

function ManyPictures({
  data,
  drafts,
  onDrafts,
  onClose,
  onAdded,
}: {
  data: EvidencePage;
  drafts: readonly Draft[];
  onDrafts: (drafts: Draft[]) => void;
  onClose: () => void;
  onAdded: () => void;
}): ReactNode {
  const { run, busy, tell } = useSaving();
  const change = (at: number, part: Partial<Draft>) =>
    onDrafts(drafts.map((draft, i) => (i === at ? { ...draft, ...part } : draft)));
  const add = async () => {
    const strange = drafts.findIndex(({ dated }) => !readDates(dated));
    if (strange >= 0)
      return tell(`Picture ${strange + 1}: “${drafts[strange]!.dated}” is no date that could be meant in one way`);
    const sources = drafts.map(({ picture, dated, ...draft }) => {
      const { from, to } = readDates(dated)!;
      return { ...BLANK_SOURCE, ...draft, dateFrom: from, dateTo: to, pictureId: picture.id };
    });
    const result = await run(
      (act) => addSources({ act, briefId: data.briefId, sources }),
      `${counted(sources.length, 'source')} added`,
    );
    if (result.ok) onAdded();
  };
  return (
    <>
      <table className="plain many-pictures">
        <thead>
          <tr>
            <th />
            <th>Title</th>
            <th>Kind</th>
            <th>Film</th>
            <th>Dated</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {drafts.map((draft, i) => (
            <tr key={draft.picture.id}>
              <td>
                <img src={`/pictures/${draft.picture.id}?size=thumbnail`} alt="" height={48} />
              </td>
              <td>
                <input
                  aria-label={`Title of picture ${i + 1}`}
                  value={draft.title}
                  onChange={(event) => change(i, { title: event.target.value })}
                />
              </td>
              <td>
                <select
                  aria-label={`Kind of picture ${i + 1}`}
                  value={draft.kind}
                  onChange={(event) => change(i, { kind: event.target.value as Draft['kind'] })}
                >
                  {kindOptions.map(({ value, label }) => (
                    <option key={value} value={value}>
                      {label}
                    </option>
                  ))}
                </select>
              </td>
              <td>
                <select
                  aria-label={`Film of picture ${i + 1}`}
                  value={draft.film}
                  onChange={(event) => change(i, { film: event.target.value as Draft['film'] })}
                >
                  {filmOptions.map(({ value, label }) => (
                    <option key={value} value={value}>
                      {label}
                    </option>
                  ))}
                </select>
              </td>
              <td>
                <input
                  aria-label={`Picture ${i + 1} dated`}
                  title={datesUnderstood(draft.dated)}
                  placeholder="May 1951"
                  size={14}
                  value={draft.dated}
                  onChange={(event) => change(i, { dated: event.target.value })}
                />
              </td>
              <td>
                {draft.picture.takenOn ? (
                  <button
                    type="button"
                    className="row-button"
                    onClick={() => change(i, { dated: draft.picture.takenOn! })}
                  >
                    use {fullDay(draft.picture.takenOn)} of the file
                  </button>
                ) : null}{' '}
                <button
                  type="button"
                  className="row-button"
                  aria-label={`Leave out picture ${i + 1}`}
                  onClick={() => onDrafts(drafts.filter((_, k) => k !== i))}
                >
                  leave out
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="form-actions">
        <Button variant="contained" disabled={busy} onClick={() => void add()}>
          Add {drafts.length} sources
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
    </>
  );
}
