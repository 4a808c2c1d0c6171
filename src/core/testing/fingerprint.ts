/**
 * Eight letters that stand for what was made: other letters for nearly any other (FNV-1a of 32 bits over its JSON). Numbers are taken
 * to a millionth, so that the last bits of a sine do not matter.
 */
export function fingerprint(made: unknown): string {
  const text = JSON.stringify(made, (_, value: unknown) =>
    typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value,
  );
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}
