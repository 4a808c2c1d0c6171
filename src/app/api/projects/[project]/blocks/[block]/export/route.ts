import Joi from 'joi';
import { papersCsv, writeBlockFile, writeDxf, writeSvg } from '@/core/formats';
import { openBlock } from '@/server/blocks';
import { readDocument } from '@/server/blockDocuments';
import { database } from '@/server/database';
import { fileResponse, requireAccount, route } from '@/server/http';
import { id, parse } from '@/server/parse';
import { openProject } from '@/server/projects';

type Format = 'svg' | 'json' | 'dxf' | 'csv';

const QUERY = Joi.object<{ format: Format }>({ format: Joi.valid('svg', 'json', 'dxf', 'csv').required() });
const TYPES: Readonly<Record<Format, string>> = {
  svg: 'image/svg+xml',
  json: 'application/json',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8',
};

/** A block in an open format, written anew from its document: nothing that was uploaded is given out as it came. */
export const GET = route(async (request, { project: projectId = '', block: blockId = '' }) => {
  const project = await openProject(database(), await requireAccount(), projectId, 'read');
  parse(id(), blockId);
  const { format } = parse(QUERY, Object.fromEntries(new URL(request.url).searchParams));
  const document = await readDocument(database(), project, blockId);
  const { name, sheet } = await openBlock(database(), project, blockId);
  const write: Readonly<Record<Format, () => string>> = {
    svg: () => writeSvg(document.patches, name),
    json: () => writeBlockFile(document),
    dxf: () => writeDxf(document.patches),
    csv: () => papersCsv(sheet.kinds),
  };
  const file = format === 'json' ? `${name}.kevlo-block.json` : `${name}.${format}`;
  return fileResponse(write[format](), TYPES[format], file);
});
