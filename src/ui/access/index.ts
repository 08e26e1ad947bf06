export { PasswordAgain } from './PasswordAgain';
export { SignedIn } from './SignedIn';
export { SignedOut, signInAt } from './SignedOut';
