/** What the server made of a picture that it took. */
export interface Uploaded {
  id: string;
  /** The day that its own data name. */
  takenOn: string | null;
  /** The focal length that its own data name, with the size of the picture of which it is one, all in px. */
  lens: { focalPx: number; width: number; height: number } | null;
  /** Of the file, without its ending. */
  name: string;
}

interface Line {
  before?: number;
  status?: number;
  id?: string;
  takenOn?: string | null;
  focalPx?: number | null;
  width?: number;
  height?: number;
  says?: string;
}

/** So often a picture is sent again where too many wait, and after how long, ms. */
const MOST_TIMES = 20;
const AGAIN_MS = 4000;

/** Sends a picture; `onBefore` hears how many come before it while it waits. */
export async function uploadPicture(
  file: File,
  onBefore: (before: number) => void,
): Promise<Uploaded | { fault: string; isAway?: true }> {
  try {
    let answer: Line = {};
    for (let times = 0; times < MOST_TIMES; times += 1) {
      const body = new FormData();
      body.set('picture', file);
      const headers = { accept: 'application/x-ndjson' };
      answer = await lastLine(await fetch('/pictures', { method: 'POST', body, headers }), onBefore);
      if (answer.status !== 429) break;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
    if (!answer.id) return { fault: answer.says ?? 'refused' };
    const { id, focalPx, width, height } = answer;
    return {
      id,
      takenOn: answer.takenOn ?? null,
      lens: focalPx && width && height ? { focalPx, width, height } : null,
      name: file.name.replace(/\.[^.]*$/, ''),
    };
  } catch {
    return { fault: 'the server cannot be reached; the picture was not taken', isAway: true };
  }
}

/** The answer is the last line; those before it say how many pictures come first. */
async function lastLine(response: Response, onBefore: (before: number) => void): Promise<Line> {
  let [text, last] = ['', {} as Line];
  const take = (lines: readonly string[]) => {
    for (const line of lines.filter(Boolean)) {
      last = JSON.parse(line) as Line;
      if (last.before !== undefined) onBefore(last.before);
    }
  };
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const lines = `${text}${read.value}`.split('\n');
    text = lines.pop()!;
    take(lines);
  }
  take([text]);
  return last;
}
