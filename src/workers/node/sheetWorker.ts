/** Worker thread of the server: computes block sheets off the thread that answers requests. */
import { parentPort, workerData } from 'node:worker_threads';
import type { BagSettings } from '@/core/bags';
import type { BlockDocument } from '@/core/block';
import { blockSheet } from '@/core/sheet';

const { document, settings } = workerData as { document: BlockDocument; settings: BagSettings };
parentPort?.postMessage(blockSheet(document.patches, settings, undefined, document));
