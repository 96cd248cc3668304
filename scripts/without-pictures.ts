import type { BriefFile } from '../src/core/interchange/brief-file';

/** A brief as it goes out, without its pictures: many of it come in at once. */
export const withoutPictures = (file: BriefFile): BriefFile => ({
  ...file,
  sources: file.sources.map((source) => ({ ...source, pictureId: null })),
  log: file.log.map((entry) => ({ ...entry, pictureId: null })),
});
