export {
  type Account,
  accountOfSession,
  changePassword,
  createAccount,
  createFirstAccount,
  deleteAccount,
  endSessions,
  hasAccounts,
  listSessions,
  openSession,
  resetPassword,
  type SessionLine,
  signIn,
  signOut,
  writePasswordLetter,
} from './accounts';
export { byLink } from './gate';
export { hashToken, isToken, newToken } from './tokens';
