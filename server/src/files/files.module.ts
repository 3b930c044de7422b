import { Global, Module } from '@nestjs/common';
import { chosenStore } from './chosenStore.js';
import { FileKeeper } from './fileKeeper.service.js';
import { FILE_STORE } from './fileStore.js';

@Global()
@Module({
  providers: [{ provide: FILE_STORE, useFactory: () => chosenStore() }, FileKeeper],
  exports: [FILE_STORE],
})
export class FilesModule {}
