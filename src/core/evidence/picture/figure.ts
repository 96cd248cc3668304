import { MeasureFault, type XY } from './homography';
import { CLICK_SD_PX, measure, type Calibration, type Tool } from './measure';

/** What the points of a tool measure, or why they measure nothing. */
export type Figure = ReturnType<typeof measure> | { fault: string };

export function figureOf(tool: Tool, points: readonly XY[], calibration: Calibration | null): Figure {
  try {
    return measure(tool, points, calibration, CLICK_SD_PX);
  } catch (error) {
    if (error instanceof MeasureFault) return { fault: error.message };
    throw error;
  }
}
