<template>
  <main class="p-8">
    <h1 class="mb-2 text-xl">Nothing here</h1>
    <p class="mb-4">There is no such page, or it is not yours.</p>
    <RouterLink to="/cards" class="button">Go to the cards</RouterLink>
  </main>
</template>
