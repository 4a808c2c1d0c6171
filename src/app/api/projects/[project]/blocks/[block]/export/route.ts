import Joi from 'joi';
import { papersCsv, writeBlockFile, writeDxf, writeSvg } from '@/core/formats';
import { openBlock, readDocument } from '@/server/blocks';
import { database } from '@/server/database';
import { fileResponse, projectRoute, queryOf } from '@/server/http';
import { parse } from '@/server/parse';

type Format = 'svg' | 'json' | 'dxf' | 'csv';

const QUERY = Joi.object<{ format: Format }>({ format: Joi.valid('svg', 'json', 'dxf', 'csv').required() });
const TYPES: Readonly<Record<Format, string>> = {
  svg: 'image/svg+xml',
  json: 'application/json',
  dxf: 'image/vnd.dxf',
  csv: 'text/csv; charset=utf-8',
};

/** A block in an open format, written anew from its document: nothing that was uploaded is given out as it came. */
export const GET = projectRoute('read', async (request, access, { block: blockId = '' }) => {
  const { project } = access;
  const { format } = parse(QUERY, queryOf(request));
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
