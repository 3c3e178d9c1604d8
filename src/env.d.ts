declare namespace App {
  interface Locals {
    nonce: string;
  }
}
