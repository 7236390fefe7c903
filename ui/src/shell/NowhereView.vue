<template>
  <div class="page">
    <h1>Nothing here</h1>
    <p class="quiet">This address leads to no view. <RouterLink to="/">Back to the bench</RouterLink></p>
  </div>
</template>
