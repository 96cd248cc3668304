import type { Page } from '@playwright/test';
import { cameraOf, TAKEN } from '@demo/photographs';
import type { dunlin } from '@demo/dunlin';
import { WIDTH } from '@demo/pictures';
import { planeOn, turned } from '@/core/markings/placing';
import type { Outline } from '@/core/outline/outline';
import { times } from '@/core/outline/space';
import { project } from '@/core/skin/camera/view';

/** Clicks in the picture that is open, at a place of it in px. */
export async function clickInPicture(page: Page, [u, v]: readonly [number, number]): Promise<void> {
  const frame = page.getByRole('application');
  await frame.scrollIntoViewIfNeeded();
  const box = (await frame.locator('.viewer-plane > svg').boundingBox())!;
  await page.mouse.click(box.x + (u / WIDTH) * box.width, box.y + (v / WIDTH) * box.width);
}

/** Lower left, lower right and upper left of the code letters on the port side, as the picture of the engine change has them, px. */
export function lettersSeen({ markings }: ReturnType<typeof dunlin>['file'], outline: Outline) {
  const camera = cameraOf(TAKEN['Engine change']!, outline.spec.dimensions.length);
  const letters = markings.find(({ title }) => title === 'Code letters')!;
  const place = letters.places.find(({ view }) => view === 'port')!;
  const { chart, put } = planeOn(outline, place, letters.zone)!;
  const [wide, high] = [0.5, letters.heightMm / 2000];
  return ([[-wide, -high] as const, [wide, -high] as const, [-wide, high] as const] as const).map((corner) =>
    project(camera, times(chart.at(put(turned(place, corner))), 1000))!,
  );
}
