export * from './FileField';
export * from './FormField';
export * from './serverErrors';
export * from './TextField';
export * from './useSend';
export * from './PressRow';

export * from './FasteningChoice';
export { SecretField } from './SecretField';
