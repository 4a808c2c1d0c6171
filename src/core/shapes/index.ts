export { groupKinds, type Hand, type PaperKind, type Sorted } from './groupKinds';
export {
  matchingRotation,
  signatureOf,
  turnedOverSignature,
  type Signature,
  type SignatureStep,
} from './signature';
export { nameShape } from './nameShape';
export { nameKinds } from './nameKinds';
