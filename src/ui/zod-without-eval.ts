'use client';

import { z } from 'zod';

// In the browser the content policy forbids code made at run time; zod would try whether it may, and the policy would report that.
if (typeof window !== 'undefined') z.config({ jitless: true });
