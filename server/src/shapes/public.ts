import { SetMetadata } from '@nestjs/common'

export const PUBLIC = 'yentrik-public'
/** Answers without a session, where no route of the contract says so. */
export const Public = () => SetMetadata(PUBLIC, true)
