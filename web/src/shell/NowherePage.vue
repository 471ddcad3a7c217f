<template>
  <main class="page">
    <h1>There is nothing at this address</h1>
    <p>It may have been mistyped, or what it showed has been removed.</p>
    <RouterLink class="btn main" to="/">To the garage</RouterLink>
  </main>
</template>
