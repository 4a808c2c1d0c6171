/** Worker thread of the server: computes block sheets off the thread that answers requests. */
import { parentPort, workerData } from 'node:worker_threads';
import type { BagSettings } from '@/core/bags';
import type { Patch } from '@/core/block';
import { blockSheet } from '@/core/sheet';

const { patches, settings } = workerData as { patches: readonly Patch[]; settings: BagSettings };
parentPort?.postMessage(blockSheet(patches, settings));
