'use client';

import { useStandingWorker } from '@/ui/use-standing-worker';
import type { CameraApi } from '@/workers/camera.worker';

/** The worker that lays the machine over pictures. */
export const useCamera = () =>
  useStandingWorker<CameraApi>(
    () => new Worker(new URL('../../../workers/camera.worker.ts', import.meta.url), { type: 'module' }),
  );
